/** Stories from complaint to report, driven by the judge: each must end in the part that is at fault. */
import { expect, test, toEmptyShop } from './application';
import { BY_KEYS, BY_TOUCH, followTheJudge, openJob, signOff } from './walk';
import type { Answers } from './walk';

interface Walk {
  readonly ends: string;
  readonly symptoms: readonly string[];
  readonly found: Answers;
  readonly says: string;
  readonly fitted: string;
}

const WALKS: readonly Walk[] = [
  {
    ends: 'a worn battery',
    symptoms: ['Cranks slowly'],
    found: {
      'Cranking voltage': '8.7',
      'Starter draw': '150',
      Conductance: '250',
      'Load test': '8.2',
      'Internal resistance': '14m',
    },
    says: 'Replace the battery',
    fitted: 'battery 560 A',
  },
  {
    ends: 'a bad ground',
    symptoms: ['Cranks slowly'],
    found: {
      'Cranking voltage': '11.4',
      'Starter draw': '88',
      'Cranking speed': '105',
      'Drop, starter case to battery −': '2.9',
      'Drop, engine block to battery −': '2.8',
      'Ground strap': 'damaged',
    },
    says: 'Repair the connection',
    fitted: 'ground strap',
  },
  {
    ends: 'a dragging starter',
    symptoms: ['Cranks slowly', 'Lamps dim on crank'],
    found: {
      'Cranking voltage': '9.7',
      'Starter draw': '410',
      'Cranking speed': '105',
      'Drop, battery + to starter motor': '460m',
      'Drop, starter case to battery −': '190m',
      'Starter control voltage': '9.5',
    },
    says: 'Replace the starter',
    fitted: 'starter',
  },
  {
    ends: 'a seized accessory',
    symptoms: ['Cranks slowly'],
    found: {
      'Cranking voltage': '9.7',
      'Starter draw': '400',
      'Cranking speed': '110',
      'Drop, battery + to starter motor': '450m',
      'Drop, starter case to battery −': '190m',
      'Turn it by hand': 'tight',
      'Crank, belt off': 'freed',
    },
    says: 'Free the engine side',
    fitted: 'idler pulley, belt',
  },
  {
    ends: 'an alternator diode',
    symptoms: ['Whine in the radio', 'Battery lamp is on'],
    found: {
      'Charging voltage': '13.7',
      'Charging, loads on': '13.1',
      Ripple: '620m',
      'Ripple waveform': '1.6',
      'Alternator current': '62',
    },
    says: 'Replace the alternator',
    fitted: 'alternator 110 A',
  },
  {
    ends: 'a glazed belt',
    symptoms: ['Battery lamp is on', 'Belt squeals'],
    found: {
      Belt: 'glazed',
      'Charging voltage': '13.2',
      'Charging, loads on': '12.5',
      'Alternator current': '48',
    },
    says: 'Replace the belt',
    fitted: 'belt',
  },
  {
    ends: 'a drain',
    symptoms: ['Goes flat standing'],
    found: { 'Drain current': '620m' },
    says: 'Find the drain',
    fitted: '',
  },
  {
    ends: 'a seized accessory, the clamp at its ceiling',
    symptoms: ['Cranks slowly'],
    found: {
      'Cranking voltage': '9.6',
      'Starter draw': '200, ceiling 200',
      'Cranking speed': '105',
      'Drop, battery + to starter motor': '450m',
      'Drop, starter case to battery −': '190m',
      'Turn it by hand': 'tight',
      'Crank, belt off': 'freed',
    },
    says: 'Free the engine side',
    fitted: 'idler pulley',
  },
  {
    ends: 'a battery called bad elsewhere that is good',
    symptoms: ['Cranks slowly'],
    found: {},
    says: 'Nothing found',
    fitted: '',
  },
  { ends: 'nothing found', symptoms: ['Cranks at normal speed'], found: {}, says: 'Nothing found', fitted: '' },
];

/** The widths, the themes and the hands a workshop has; every story is walked in one of these, and all occur. */
const PLACES = [
  { viewport: { width: 1280, height: 800 }, hasTouch: false, colorScheme: 'light', hand: BY_KEYS },
  { viewport: { width: 390, height: 844 }, hasTouch: true, colorScheme: 'dark', hand: BY_TOUCH },
  { viewport: { width: 768, height: 1024 }, hasTouch: true, colorScheme: 'light', hand: BY_TOUCH },
  { viewport: { width: 1280, height: 800 }, hasTouch: false, colorScheme: 'dark', hand: BY_KEYS },
  { viewport: { width: 390, height: 844 }, hasTouch: true, colorScheme: 'light', hand: BY_TOUCH },
  { viewport: { width: 768, height: 1024 }, hasTouch: false, colorScheme: 'dark', hand: BY_KEYS },
] as const;

WALKS.forEach(({ ends, symptoms, found, says, fitted }, index) => {
  const { hand, ...place } = PLACES[index % PLACES.length]!;
  const where = `${place.viewport.width} px, ${place.colorScheme}, ${place.hasTouch ? 'touch' : 'keys'}`;
  test.describe(where, () => {
    test.use({ ...place, contextOptions: {} });
    test(`from complaint to report: ${ends}`, async ({ page, app }) => {
      await toEmptyShop(page, app);
      await openJob(page, `Walk van, ${ends}`, symptoms);
      const taken = await followTheJudge(page, found, hand);
      expect(taken[0]).toBe('Resting voltage');
      await expect(page.locator('tt-verdicts .words')).toHaveText(says);
      await signOff(page, fitted, hand);
      const headline = fitted ? says.replace('Replace the ', 'Replaced: ') : says;
      await expect(page.locator('.decision .words')).toHaveText(headline);
      await expect(page.getByText(fitted ? `Fitted: ${fitted}.` : 'No part was fitted.')).toBeVisible();
      const [file] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: 'PDF' }).click(),
      ]);
      expect(file.suggestedFilename()).toMatch(/\.pdf$/);
      const over = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      expect(over).toBe(0);
      await page.goto(`${app.url}/floor`);
      await page.getByRole('button', { name: 'Closed' }).click();
      await expect(page.getByRole('row', { name: new RegExp(ends) })).toContainText(headline);
    });
  });
});
