import { FUSE_SPREAD, fuseAmps, fuseOhms } from '../../circuit/fuse-ohms';
import { limitsOf } from '../../criteria/criteria-set';
import type { CriteriaSet } from '../../criteria/criteria-set';
import { latest } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { moreThanTheDrain } from '../../evidence/ask-back';
import { causes, weighed } from '../../evidence/finding';
import { fuseCurrents } from '../../evidence/fuses';
import { isOutside } from '../../evidence/limit-of';
import { done } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { DROP_VOLTS } from '../measures';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** What is left where nothing drains: a meter shows no less, V. */
const SILENT_VOLTS = 0.0001;

const phrases = {
  'fuse-current': (w: { value: number; fuse: string; amps: number }, voice: Voice) =>
    `${w.fuse === '' ? 'This fuse' : w.fuse}: about ${voice.amps(w.amps)}, ± ${voice.share(FUSE_SPREAD)} by the usual resistance of such a fuse.`,
  'fuse-rating-missing': (w: { value: number }, voice: Voice) =>
    `${voice.smallVolts(w.value)} across the fuse: its rating is needed to tell the current.`,
};
const say = sayer(phrases);

/** The most that a vehicle asleep may take, A; null where the set has no limit for it. */
function drainLimitAmps(criteria: CriteriaSet): number | null {
  for (const { rule } of limitsOf(criteria, 'parasitic-draw'))
    if (rule.kind === 'band' && rule.max !== undefined) return rule.max;
  return null;
}

/** The whole draw was read and is good: what a fuse shows flowed while something was awake. */
function isDrawGood(gradedCase: GradedCase): boolean {
  const draw = latest(gradedCase, 'parasitic-draw');
  return draw !== undefined && !isOutside(gradedCase, draw);
}

/** How many times the limit of the whole draw flows through one fuse; null where it cannot be told. */
function timesDrainLimit(amps: number | null, gradedCase: GradedCase): number | null {
  const most = drainLimitAmps(gradedCase.criteria);
  return amps === null || most === null || isDrawGood(gradedCase) ? null : amps / most;
}

export const fuseDrop: Test = {
  ...DROP_VOLTS,
  domain: [-1, 1],
  usual: 0.002,
  scales: false,
  isSmallVolts: true,
  name: 'Drop across a fuse',
  conditions: ['fuse', 'fuseRating', 'fuseType'],
  places: [
    {
      group: 'Drain',
      at: 2,
      how: 'Everything asleep. Millivolts across the two test points of each fuse in place; nothing is pulled, nothing wakes.',
      asks: { fuse: null, fuseRating: null, fuseType: null },
      ticks: ['doors-latched'],
    },
  ],
  leads: null,
  step: {
    minutes: 5,
    place: 'standing',
    engine: 'asleep',
    informs: [],
    settles: 'Shows which circuit takes the current: the fuse with the most.',
    // only where something drains is there anything to find
    when: (gradedCase) => {
      const draw = latest(gradedCase, 'parasitic-draw');
      return draw !== undefined && isOutside(gradedCase, draw);
    },
    cautions: [],
  },
  isSeveral: true,
  askBack: moreThanTheDrain,
  required: [],
  direct: ['parasitic-drain'],
  timesLimit: ({ value, conditions: { fuseRating, fuseType } = {} }, gradedCase) =>
    typeof value === 'number' && fuseRating !== undefined
      ? timesDrainLimit(fuseAmps(value, fuseRating, fuseType), gradedCase)
      : null,
  isUnlimited: () => true,
  noted: ({ value, conditions: { fuse = '', fuseRating, fuseType } = {} }) => {
    if (typeof value !== 'number') return null;
    if (fuseRating === undefined) return say('fuse-rating-missing', { value });
    return say('fuse-current', { value, fuse, amps: fuseAmps(value, fuseRating, fuseType) });
  },
  phrases,
  findings: ({ gradedCase }) => {
    const [most] = fuseCurrents(gradedCase);
    const times = most ? timesDrainLimit(most.amps, gradedCase) : null;
    if (!most || most.amps === null || times === null || times <= 1) return [];
    const { fuse, amps, reading } = most;
    return [
      weighed('drain', Math.log(times), {
        causes: causes('parasitic-drain'),
        source: { reading: reading.id },
        says: say('fuse-current', { value: reading.value, fuse, amps }),
      }),
    ];
  },
};

export const fuseDropModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, random, volts }) =>
    done(Math.max(SILENT_VOLTS, volts(vehicle.drainAmps * fuseOhms(10) * random.factor(0.1), 4)), {
      fuse: 'F7',
      fuseRating: 10,
      fuseType: 'standard',
    }),
};

export const fuseDropGuide: TestGuide = {
  why: ['Every fuse is a small known resistor: its drop tells its current without being pulled, and nothing wakes.'],
  spoils: [
    'Modules that woke up while doors or locks were touched.',
    'A fuse type or rating that was read wrongly.',
    'A meter without tenths of a millivolt.',
  ],
  means: ['The fuse with the largest current leads to the circuit that drains.'],
};
