import type { Locator, Page } from '@playwright/test';
import { expect } from './application';

/** What a technician would find at a step: what the meter shows, or what is seen. */
export type Answers = Readonly<Record<string, string>>;

/** A sound vehicle: 1.8 petrol, 560 A SAE, 18 °C. */
export const SOUND: Answers = {
  'Battery case': 'sound',
  'Battery label': 'Confirm label',
  Terminals: 'clean',
  Electrolyte: 'covered',
  Belt: 'good',
  'Charge lamp': 'works',
  'Alternator noise': 'quiet',
  'Ground strap': 'sound',
  'Fusible link': 'sound',
  'Turn it by hand': 'turns',
  'Crank, belt off': 'unchanged',
  'Crank, plugs out': 'unchanged',
  'Resting voltage': '12.64',
  Conductance: '575',
  'Load test': '10.6',
  'Internal resistance': '5.6m',
  'Holds its charge': '12.6',
  'Cranking voltage': '10.7',
  'Starter draw': '125',
  'Cranking speed': '205',
  'Starter control voltage': '10.4',
  'Drop, positive post to clamp': '15m',
  'Drop, negative post to clamp': '15m',
  'Drop, battery + to starter motor': '240m',
  'Drop across the solenoid contacts': '110m',
  'Drop, starter case to battery −': '90m',
  'Drop, engine block to battery −': '60m',
  'Charging voltage': '14.2',
  'Charging, loads on': '13.9',
  Ripple: '40m',
  'Ripple waveform': '60m',
  'Alternator current': '98',
  'Field duty': '55',
  'Battery current, net': '2.5',
  'Alternator stud voltage, engine off': '12.6',
  'Excitation voltage, key on': '12.3',
  'Drop, alternator B+ to battery +': '110m',
  'Drop, alternator case to battery −': '30m',
  'Charging path, both sides': '140m',
  'Field current': '4',
  'Pulleys by hand': 'free',
  'Starter on the bench': 'strong',
  'Turn it, starter loosened': 'turns',
  'Start relay, output': 'none',
  'Start relay, feed': 'volts',
  'Start relay, coil': 'volts',
  'Neutral or clutch switch': 'passes',
  'Diode check, reverse': 'OL',
  'Drain current': '25m',
  'Drop across a fuse': '2.9',
  'Drop, body to battery −': '30m',
};

/** How the bench is worked: by keys alone, or by touch alone. */
export interface Hand {
  readonly goOn: (page: Page) => Promise<void>;
  readonly choose: (button: Locator) => Promise<void>;
  readonly save: (page: Page) => Promise<void>;
  readonly signOff: (page: Page) => Promise<void>;
}
export const BY_KEYS: Hand = {
  goOn: async (page) => {
    await page.keyboard.press('Alt+n');
    await expect(page.locator('.route .step[aria-current] .now')).toBeVisible();
  },
  choose: (button) => button.press('Enter'),
  save: (page) => page.locator('#reading').press('Enter'),
  signOff: (page) => page.keyboard.press('Alt+g'),
};
export const BY_TOUCH: Hand = {
  goOn: async (page) => {
    await page.locator('.next .go').tap();
    // the step before may stand there for a moment; the route knows which one is at hand
    await expect(page.locator('.route .step[aria-current] .now')).toBeAttached();
  },
  choose: (button) => button.tap(),
  save: (page) => page.getByRole('button', { name: 'Save' }).tap(),
  signOff: (page) => page.getByRole('button', { name: 'Sign off', exact: true }).first().tap(),
};

/** Opens a job at the empty floor: the vehicle, its battery, what is wrong. */
export async function openJob(page: Page, vehicle: string, symptoms: readonly string[]): Promise<void> {
  await page.getByRole('button', { name: 'New job' }).first().click();
  const dialog = page.getByRole('dialog', { name: 'New job' });
  await dialog.getByLabel('Vehicle').fill(vehicle);
  await dialog.getByLabel('Battery rating, A').fill('560');
  await dialog.getByLabel('Temperature, °C').fill('18');
  for (const symptom of symptoms) await dialog.getByLabel(symptom, { exact: true }).check();
  await dialog.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByRole('heading', { name: vehicle })).toBeVisible();
}

/** Does what the judge asks for, step by step, until nothing more is asked. @returns the steps taken. */
export async function followTheJudge(page: Page, found: Answers, hand = BY_KEYS): Promise<readonly string[]> {
  const answers = { ...SOUND, ...found };
  const taken: string[] = [];
  while ((await nextText(page)) !== '') {
    expect(taken.length, `still asked after ${taken.join(', ')}`).toBeLessThan(40);
    await hand.goOn(page);
    const title = await titleOf(page);
    const answer = answers[title];
    expect(answer, `an answer for “${title}”`).toBeDefined();
    const before = await nextText(page);
    await answerStep(page, title, answer!, hand);
    taken.push(title);
    await expect.poll(() => nextText(page), { intervals: [50, 100] }).not.toBe(before);
  }
  await expect(page.getByText('Saving …')).toBeHidden();
  return taken;
}

/** The name of the step at hand. */
const titleOf = async (page: Page): Promise<string> =>
  (await page.locator('.centre .title').innerText()).replace(/:.*/, '').trim();

/** What the judge asks for next; empty where nothing. Read at once: it may be gone the next moment. */
const nextText = (page: Page): Promise<string> =>
  page.evaluate(() => document.querySelector('.next')?.textContent ?? '');

async function answerStep(page: Page, title: string, answer: string, hand: Hand): Promise<void> {
  if (title === 'Battery label') return hand.choose(page.getByRole('button', { name: answer }));
  const finding = page.locator('.centre .findings').getByRole('button', { name: answer, exact: true });
  if ((await finding.count()) > 0) return hand.choose(finding);
  if (title === 'Drop across a fuse') {
    const list = page.locator('tt-fuse-list');
    await list.getByLabel('Fuse', { exact: true }).fill('F12');
    await list.getByLabel('Rating, A').fill('15');
    await list.getByLabel('Across it, mV').fill(answer);
    return hand.choose(list.getByRole('button', { name: 'Save' }));
  }
  if (title === 'Alternator current') await page.getByLabel('System voltage, V').fill('12.6');
  if (title === 'Load test') await page.getByLabel('Fully charged before').check();
  if (title === 'Ripple waveform' && answer === '1.6') await page.getByLabel('Humps missing of six').fill('1');
  const [figure, ceiling] = answer.split(', ceiling ');
  if (ceiling) await page.getByLabel('Clamp ceiling, A').fill(ceiling);
  await page.locator('#reading').fill(figure!);
  if (ceiling) {
    // the clamp shows its ceiling, and there is no larger one
    await hand.save(page);
    await expect(page.locator('tt-attempts li').last()).toContainText('Void');
    await hand.choose(page.getByRole('button', { name: 'Not possible …' }));
    return hand.choose(page.getByRole('button', { name: 'No equipment' }));
  }
  await hand.save(page);
  if (title === 'Drain current') await hand.choose(page.getByRole('button', { name: 'Over 20 minutes' }));
}

/** Signs the job off as the judge says, and reads the report. */
export async function signOff(page: Page, fitted: string, hand = BY_KEYS): Promise<void> {
  await hand.signOff(page);
  const dialog = page.getByRole('dialog', { name: 'Sign off' });
  await dialog.getByLabel('Parts fitted').fill(fitted);
  await dialog.getByRole('button', { name: 'Sign off and close the job' }).click();
  await expect(page.getByText('Signed off by Ilse Marrow')).toBeVisible();
}
