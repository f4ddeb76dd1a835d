/** What a record shows, offered to the job: what is sure is ticked, what was taken is not offered again. */
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import type { Reading } from '@tetrad/core';
import type { Capture, CaptureReading } from '@tetrad/core/capture-format';
import { CaptureSays } from '../src/app/screens/captures/capture-says';

const reading = (id: string, test: CaptureReading['test'], value: number, more: Partial<CaptureReading> = {}) =>
  ({ id, test, value, uncertainty: 0.01, fromS: 1, toS: 2, confidence: 0.9, ...more }) as CaptureReading;
const CAPTURE = {
  format: 'tetrad-capture/1',
  sampleRateHz: 2000,
  samples: 20_000,
  seconds: 10,
  channels: [],
  segments: [],
  readings: [
    reading('a', 'resting-voltage', 12.61),
    reading('b', 'cranking-voltage', 10.2, { fromS: 3, toS: 5 }),
    reading('c', 'cranking-speed', 180, { confidence: 0.4 }),
  ],
  findings: [
    { finding: 'weak-cylinder', confidence: 0.8, because: 'Its peak is 61 % of the others.', fromS: 3.2, toS: 3.4 },
  ],
  cylinders: [
    { index: 1, relative: 1 },
    { index: 2, relative: 0.61 },
  ],
  crankingRpm: 180,
  ripple: null,
} as unknown as Capture;

let fixture: ComponentFixture<CaptureSays>;
let took: string[][];
let shown: unknown[];
async function open(capture: Capture = CAPTURE, taken: readonly Reading[] = []): Promise<void> {
  fixture = TestBed.createComponent(CaptureSays);
  fixture.componentRef.setInput('capture', capture);
  fixture.componentRef.setInput('id', 'file-1');
  fixture.componentRef.setInput('taken', taken);
  took = [];
  shown = [];
  fixture.componentInstance.took.subscribe((readings) => took.push(readings.map(({ id }) => id)));
  fixture.componentInstance.shown.subscribe((stretch) => shown.push(stretch));
  await fixture.whenStable();
}
const page = (): HTMLElement => fixture.nativeElement as HTMLElement;
const rowOf = (name: string): HTMLElement =>
  [...page().querySelectorAll<HTMLElement>('.row')].find(({ textContent }) => textContent!.includes(name))!;
const take = async (): Promise<void> => {
  [...page().querySelectorAll('button')].find(({ textContent }) => /^\s*Use \d/.test(textContent!))!.click();
  await fixture.whenStable();
};
const fromFile = (test: string, fromS: number, more: object = {}): Reading =>
  ({ id: 'r', test, value: 12.61, capture: { id: 'file-1', fromS, toS: fromS + 1 }, ...more }) as unknown as Reading;

it('what is sure enough is taken together; what is not waits for a tick, and says how unsure it is', async () => {
  await open();
  expect(rowOf('Cranking speed').textContent).toContain('only 40 % sure');
  await take();
  expect(took).toEqual([['a', 'b']]);
  rowOf('Cranking speed').querySelector('input')!.click();
  rowOf('Resting voltage').querySelector('input')!.click();
  await fixture.whenStable();
  await take();
  expect(took.at(-1)).toEqual(['b', 'c']);
});

it('what was taken from this stretch of this file is said to be, and not offered again', async () => {
  await open(CAPTURE, [fromFile('resting-voltage', 1)]);
  expect(rowOf('Resting voltage').textContent).toContain('taken');
  expect(rowOf('Resting voltage').querySelector('input')).toBeNull();
  await take();
  expect(took).toEqual([['b']]);
});

it.each([
  ['from another stretch', fromFile('resting-voltage', 1.5)],
  ['from another file', fromFile('resting-voltage', 1, { capture: { id: 'file-2', fromS: 1, toS: 2 } })],
  ['and voided since', fromFile('resting-voltage', 1, { void: 'slip' })],
  ['of another test', fromFile('module-voltage', 1)],
])('a reading %s is in the way of nothing', async (_what, other) => {
  await open(CAPTURE, [other]);
  await take();
  expect(took).toEqual([['a', 'b']]);
});

it('a finding and a reading lead to the stretch they come from', async () => {
  await open();
  const press = (name: string): void =>
    [...page().querySelectorAll('button')].find(({ textContent }) => textContent!.trim() === name)!.click();
  press('Show it');
  press('Cranking voltage');
  expect(shown).toEqual([{ fromS: 3.2, toS: 3.4 }, expect.objectContaining({ fromS: 3, toS: 5 })]);
});

it('compressions are drawn, and told in words to who does not see them', async () => {
  await open();
  expect(page().querySelector('.cylinders')!.getAttribute('aria-label')).toBe('1: 100 %, 2: 61 %');
  expect(page().querySelectorAll('.weak')).toHaveLength(1);
});

it('what the record shows besides is told with its unit', async () => {
  await open({
    ...CAPTURE,
    resistance: { ohm: 0.0056, error: 0.0003 },
    compressionsHz: 6.4,
    chargingAmps: 12,
    groundNoiseV: 0.02,
  } as Capture);
  const told = [...page().querySelectorAll('dd')].map(({ textContent }) => textContent);
  expect(told).toEqual(['5.6 mΩ ± 0.3 mΩ', '6.4 a second', '12.0 A', '20 mV']);
});

it('a record that shows nothing says so', async () => {
  await open({ ...CAPTURE, readings: [], findings: [], cylinders: [] });
  expect(page().textContent).toContain('None: the record shows no stretch');
  expect(page().textContent).not.toContain('Compressions');
});
