/**
 * Twelve usual jobs from the empty floor to the decision, by keys: how many keys each takes, and how often the engine
 * changes what it does. The table is in docs/benchmarks.md.
 */
import type { Locator, Page } from '@playwright/test';
import { TESTS, TEST_NAMES, engineOf, stepName } from '@tetrad/core';
import { expect, pick, test, toEmptyShop } from './application';
import { SOUND } from './walk';
import type { Answers } from './walk';

const MAX_KEYS = 45;
const MAX_CHANGES = 3;
const MAX_STEPS = 30;

interface Job {
  readonly name: string;
  readonly symptom: string;
  readonly found: Answers;
  readonly says: string;
  /** Volts and how the batteries are joined, where there are two. */
  readonly pack?: 'in parallel' | 'in series';
}

const FLAT: Answers = { 'Resting voltage': '11.9', 'Resting voltage 2': '12.62' };

const JOBS: readonly Job[] = [
  {
    name: 'flat, with a drain',
    symptom: 'Goes flat standing',
    found: { ...FLAT, 'Drain current': '.45' },
    says: 'Find the drain',
  },
  {
    name: 'battery worn',
    symptom: 'Cranks slowly',
    found: { 'Cranking voltage': '8.7', Conductance: '250', 'Load test': '8.2', 'Internal resistance': '14m' },
    says: 'Replace the battery',
  },
  {
    name: 'open diode',
    symptom: 'Whine in the radio',
    found: { Ripple: '620m', 'Ripple waveform': '1.6', 'Alternator current': '62', 'Diode check, reverse': '.3' },
    says: 'Replace the alternator',
  },
  {
    name: 'bad post',
    symptom: 'Cranks slowly',
    found: {
      'Cranking voltage': '11.4',
      'Starter draw': '95',
      'Cranking speed': '110',
      'Drop, negative post to clamp': '1.7',
      'Drop, starter case to battery −': '1.8',
      'Drop, engine block to battery −': '1.75',
      'Drop, body to battery −': '1.7',
      Terminals: 'loose',
    },
    says: 'Repair the connection',
  },
  {
    name: 'starter open inside',
    symptom: 'No crank, silent',
    found: {
      'Starter draw': '0',
      'Cranking voltage': '12.5',
      'Cranking speed': '0',
      'Starter control voltage': '12.3',
      'Starter motor voltage': '12.3',
      'Drop, battery + to starter motor': '4m',
      'Drop, starter case to battery −': '4m',
      Solenoid: 'clicks',
      'Starter tap': 'turned',
    },
    says: 'Replace the starter',
  },
  {
    name: 'pack in series, one battery worn',
    symptom: 'Cranks slowly',
    pack: 'in series',
    found: {
      'Resting voltage': '12.7',
      'Conductance 2': '230',
      'Internal resistance 2': '15m',
      'Load test 2': '7.9',
      'Cranking voltage': '18.4',
      'Internal resistance': '5.6m',
      Charging: '28.3',
    },
    says: 'Replace the battery',
  },
  {
    name: 'pack in parallel, one battery worn',
    symptom: 'Cranks slowly',
    pack: 'in parallel',
    found: {
      'Resting voltage': '12.7',
      'Conductance 2': '230',
      'Internal resistance 2': '15m',
      'Load test 2': '7.9',
      'Cranking voltage': '9.4',
      'Internal resistance': '5.6m',
    },
    says: 'Replace the battery',
  },
  {
    name: 'overcharge',
    symptom: 'Lamps too bright',
    found: { 'Charging voltage': '15.9', 'Charging, loads on': '15.6' },
    says: 'Replace the alternator',
  },
  {
    name: 'wrong label',
    symptom: 'Cranks slowly',
    found: { Conductance: '235', 'Internal resistance': '14m', 'Cranking voltage': '10.9' },
    says: 'Nothing found',
  },
  {
    name: 'tight engine',
    symptom: 'Cranks slowly',
    found: {
      'Cranking voltage': '9.8',
      'Starter draw': '400',
      'Cranking speed': '95',
      'Drop, battery + to starter motor': '450m',
      'Drop, starter case to battery −': '180m',
      'Turn it by hand': 'tight',
      'Crank, plugs out': 'freed',
    },
    says: 'Free the engine side',
  },
  {
    name: 'alternator weak',
    symptom: 'Lamps dim at idle',
    found: { 'Charging, loads on': '12.5', 'Alternator current': '41', 'Field duty': '100' },
    says: 'Replace the alternator',
  },
  { name: 'nothing wrong', symptom: 'Cranks at normal speed', found: {}, says: 'Nothing found' },
];

const ENGINE = new Map<string, string>(
  TEST_NAMES.flatMap((name) =>
    TESTS[name].places.map((place) => [place.name ?? stepName(name), engineOf(name, place.fixed?.loads)] as const),
  ),
);

/** Every key and every press counts. */
interface Hand {
  readonly press: (key: string) => Promise<void>;
  readonly type: (text: string) => Promise<void>;
  readonly click: (target: Locator) => Promise<void>;
  readonly count: (presses: number) => void;
}
interface Walked {
  readonly keys: number;
  readonly changes: number;
  readonly steps: readonly string[];
}

test('twelve usual jobs take few keys, and few changes of what the engine does', async ({ page, app }) => {
  test.setTimeout(240_000);
  page.setDefaultTimeout(15_000);
  await toEmptyShop(page, app);
  const walked: (readonly [Job, Walked])[] = [];
  for (const job of JOBS) {
    await page.goto(`${app.url}/floor`);
    walked.push([job, await walk(page, job)]);
  }
  for (const [{ name }, { keys, changes, steps }] of walked)
    test.info().annotations.push({
      type: 'keys',
      description: `${name}: ${keys} keys, ${changes} changes, ${steps.length} steps (${steps.join(', ')})`,
    });
  const middle = (figures: readonly number[]): number => figures.toSorted((a, b) => a - b)[figures.length >> 1]!;
  expect(middle(walked.map(([, { keys }]) => keys))).toBeLessThanOrEqual(MAX_KEYS);
  expect(middle(walked.map(([, { changes }]) => changes))).toBeLessThanOrEqual(MAX_CHANGES);
});

async function walk(page: Page, job: Job): Promise<Walked> {
  let keys = 0;
  const hand: Hand = {
    press: async (key) => {
      keys += 1;
      await page.keyboard.press(key);
    },
    type: async (text) => {
      keys += text.length;
      await page.keyboard.type(text);
    },
    click: async (target) => {
      keys += 1;
      await target.click();
    },
    count: (presses) => void (keys += presses),
  };
  // a name of its own: of a vehicle that is known an open job is continued
  await openByKeys(page, job, `Va${String.fromCharCode(97 + JOBS.indexOf(job))}`, hand);
  const steps: string[] = [];
  const reads = new Map<string, number>();
  let engine = 'off';
  let changes = 0;
  while ((await page.locator('tt-verdicts .words').innerText()) !== job.says) {
    expect(steps.length, `${job.name}: ${steps.join(', ')}`).toBeLessThan(MAX_STEPS);
    const title = await titleOf(page);
    const before = await stateOf(page);
    const battery = (await page.locator('.centre [aria-pressed=true]', { hasText: /^Battery/ }).count())
      ? await page.locator('.centre [aria-pressed=true]', { hasText: /^Battery/ }).innerText()
      : '';
    reads.set(title, (reads.get(title) ?? 0) + 1);
    steps.push(title);
    const needs = ENGINE.get(title) ?? engine;
    if (needs !== engine) changes += 1;
    engine = needs;
    await answer(page, job, { title, count: reads.get(title)!, battery }, hand);
    await expect
      .poll(() => stateOf(page), { message: `${job.name}: after ${title}`, timeout: 15_000, intervals: [50, 100, 250] })
      .not.toBe(before);
  }
  return { keys, changes, steps };
}

async function openByKeys(page: Page, { symptom, pack, name }: Job, vehicle: string, hand: Hand): Promise<void> {
  const { press, type, click } = hand;
  await page.getByRole('button', { name: 'New job' }).first().waitFor();
  await press('Alt+n');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('Vehicle')).toBeFocused();
  await type(vehicle);
  await press('Tab');
  await press('Tab');
  const box = dialog.getByLabel(symptom, { exact: true });
  const entry = dialog.locator('tt-check', { hasText: symptom });
  await press((await entry.locator('[data-key]').getAttribute('data-key'))!);
  await expect(box).toBeChecked();
  await press('Tab');
  await type('560');
  if (pack) {
    await click(dialog.getByText('Pack, engine, alternator'));
    await pick(page, 'Batteries', pack);
    hand.count(2); // a list: opened, chosen
    if (pack === 'in series') {
      await pick(page, 'System', '24 V');
      hand.count(2);
    }
    await dialog.getByLabel('Battery rating, A').focus();
  }
  await press('Enter');
  await expect(page.getByRole('heading', { name: vehicle }), name).toBeVisible();
  await page.locator('.centre .title').waitFor();
}

async function answer(
  page: Page,
  { found, name }: Job,
  { title, count, battery }: { readonly title: string; readonly count: number; readonly battery: string },
  hand: Hand,
): Promise<void> {
  const { press, type, click } = hand;
  const answers: Answers = { ...SOUND, ...found };
  if (title === 'Charge') {
    await click(page.getByRole('button', { name: /Charged: read/ }));
    return click(page.getByRole('button', { name: 'Yes, read it' }));
  }
  if (title === 'Battery label') return name === 'wrong label' ? correctLabel(page, hand) : press('1');
  const own = found[`${title} ${battery.slice(-1)}`] ?? (count > 1 ? found[`${title} ${count}`] : undefined);
  const value = (battery.endsWith('2') || battery === '' ? own : undefined) ?? answers[title];
  expect(value, `${name}: an answer for “${title}”`).toBeDefined();
  if (await page.locator('.centre .findings').isVisible()) {
    const findings = await page.locator('.centre .findings .words').allInnerTexts();
    return press(String(findings.findIndex((one) => one.trim().toLowerCase() === value) + 1));
  }
  await expect(page.locator('#reading')).toBeFocused();
  await type(value!);
  await press('Enter');
  // after a charge, and of a drain, a question is answered with its key; else the entry is empty again, or gone
  const question = page.locator('tt-entry-question');
  const isEmpty = () => page.evaluate(() => !document.querySelector<HTMLInputElement>('#reading')?.value);
  await expect.poll(async () => (await question.isVisible()) || (await isEmpty()), { intervals: [50] }).toBe(true);
  if (await question.isVisible()) await press(title === 'Drain current' ? 'b' : 'a');
}

async function correctLabel(page: Page, { press, type }: Hand): Promise<void> {
  await press('2');
  const rating = page.getByRole('dialog').getByLabel('Battery rating, A');
  await rating.selectText();
  await type('235');
  await press('Enter');
}

const titleOf = async (page: Page): Promise<string> =>
  (await page.locator('.centre .title').innerText()).replace(/:.*/, '').trim();
/** What stands on the bench: the step, the battery at hand and what was decided. */
const stateOf = (page: Page): Promise<string> =>
  page.evaluate(() =>
    ['.centre .title', '.centre [aria-pressed=true]', 'tt-verdicts', 'tt-attempts']
      .map((part) => document.querySelector(part)?.textContent ?? '')
      .join('|'),
  );
