/** How figures are written: a choice of the device, at once and after a reload. */
import { TestBed } from '@angular/core/testing';
import { SettingsDialog } from '../src/app/shell/settings-dialog';
import { Figures } from '../src/app/device/figures';
import { Settings } from '../src/app/device/settings';
import { Theme } from '../src/app/device/theme';
import { queuedActs, standingBed } from './bench-fixtures';

const KEPT = 'tetrad.figures';

beforeEach(() => {
  localStorage.removeItem(KEPT);
  localStorage.removeItem('tetrad.settings');
  standingBed();
});
afterAll(() => localStorage.removeItem(KEPT));

const option = (words: string): HTMLElement => {
  const found = [...document.querySelectorAll<HTMLElement>('p-togglebutton, button')].find(
    (one) => one.textContent!.trim() === words,
  );
  if (!found) throw new Error(`no option “${words}”`);
  return found;
};

it('every choice shows in the sample and in all that is told, and is kept on the device', async () => {
  const fixture = TestBed.createComponent(SettingsDialog);
  await fixture.whenStable();
  const sample = () => document.querySelector('.sample')!.textContent!.replace(/\s+/g, ' ').trim();
  expect(sample()).toBe('12.61 V 230 mV 12 °C');
  for (const words of ['12,61', '°F', 'V']) {
    option(words).click();
    await fixture.whenStable();
  }
  expect(sample()).toBe('12,61 V 0,230 V 54 °F');
  expect(JSON.parse(localStorage.getItem(KEPT)!)).toEqual({ decimal: 'comma', temperature: 'F', smallVolts: 'V' });
});

it.each([
  ['nothing', null, '12.61 V'],
  ['what is no JSON', '{', '12.61 V'],
  ['what is no choice', '{"decimal":"dot","temperature":4}', '12.61 V'],
  ['null', 'null', '12.61 V'],
  ['a choice', '{"decimal":"comma"}', '12,61 V'],
])('finding %s on the device, it begins with what can be read of it', (_, kept, shown) => {
  if (kept !== null) localStorage.setItem(KEPT, kept);
  expect(TestBed.inject(Figures).format().volts(12.61)).toBe(shown);
});

it('theme, sounds and what follows Enter are chosen here, and nothing is sent for it', async () => {
  const fixture = TestBed.createComponent(SettingsDialog);
  await fixture.whenStable();
  for (const words of ['Dark', 'Off', 'Stay in the four notes']) {
    option(words).click();
    await fixture.whenStable();
  }
  expect(TestBed.inject(Theme).name()).toBe('dark');
  expect(document.documentElement.classList).toContain('dark');
  expect(TestBed.inject(Settings).choice()).toEqual({ sounds: 'off', afterEnter: 'notes', footSwitch: 'none' });
  expect(queuedActs()).toEqual([]);
  TestBed.inject(Theme).choose('light');
});

it.each([
  ['{"afterEnter":"sideways"}', 'judge'],
  ['[]', 'judge'],
  ['{"afterEnter":"notes","other":1}', 'notes'],
])('finding %s it follows %s after Enter', (kept, expected) => {
  localStorage.setItem('tetrad.settings', kept);
  expect(TestBed.inject(Settings).choice().afterEnter).toBe(expected);
});
