import { hardlyABattery } from '../../evidence/ask-back';
import { emf } from '../../circuit/model/cranking-circuit';
import { done } from '../../evidence/simulated-bench';
import { slip } from '../../evidence/slips';
import {
  allCellsAnswer,
  fullVolts,
  hasDeadCellVolts,
  lostACell,
  neededVolts,
  weakestResting,
} from '../../evidence/charge';
import { asOwnBattery } from '../../evidence/own-battery';
import { isCharged, readingsOf } from '../../evidence/case-context';
import { causes, fixed, weighed } from '../../evidence/finding';
import type { Finding, Source } from '../../evidence/finding';
import { ofFigure } from '../../evidence/void/void-rule';
import { weightOf } from '../../criteria/weights';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** Within this many minutes of charging, with nothing done, a reading is surface charge. */
const FRESH_MINUTES = 10;
/** So much above full (12 V) is noticed: a new battery, or a little surface charge, V. */
const NOTICED_VOLTS = 0.15;
/** From this charge on no cell can be missing. */
const HALF_FULL = 0.5;

const phrases = {
  'surface-charge-above-full': (w: { value: number; full: number }, voice: Voice) =>
    `${voice.volts(w.value)} is more than a full battery rests at (${voice.volts(w.full)}): surface charge. Lamps on for a minute, off, wait, and read again.`,
  'surface-charge-left-on': () =>
    'Surface charge was not taken off, so this reads high: lamps on for a minute, off, wait, and read again.',
  'a-little-surface-charge': (w: { value: number; full: number }, voice: Voice) =>
    `${voice.volts(w.value)} is full (a full battery rests at ${voice.volts(w.full)}); a little surface charge may be left.`,
  'five-good-cells': (w: { value: number }, voice: Voice) =>
    `${voice.volts(w.value)} at rest is what five good cells of six show`,
  'charge-at-rest': (w: { value: number; charge: number }, voice: Voice) =>
    `${voice.volts(w.value)} at rest is ${voice.share(w.charge)} charged`,
  'all-cells-answer': (w: { value: number }, voice: Voice) => `${voice.volts(w.value)} at rest: all cells answer`,
  'still-low': (w: { charge: number }, voice: Voice) => `still ${voice.share(w.charge)} charged when it was read again`,
};
const say = sayer(phrases);

/** Everything that leaves a battery low. */
const LOW_CHARGE = causes(
  'battery-discharged',
  ['parasitic-drain', 0.6],
  ['alternator-dead', 0.5],
  ['charge-control', 0.5],
  ['battery-dead-cell', 0.3],
);

const cells = (charge: number, value: number, source: Source): Finding =>
  fixed(
    charge > HALF_FULL ? 'all-cells-answer' : 'few-cells-answer',
    causes('battery-dead-cell'),
    source,
    say('all-cells-answer', { value }),
  );

export const restingVoltage: Test = {
  ...POST_VOLTS,
  name: 'Resting voltage',
  conditions: ['surfaceChargeRemoved', 'minutesSinceCharge'],
  places: [
    {
      group: 'Battery',
      at: 1,
      how: 'Red on the + post, black on the − post. A rising figure has not rested long enough.',
      asks: { surfaceChargeRemoved: null },
      ticks: ['all-off', 'on-posts'],
      note: true,
      waits: ['lamps-on', 'settle'],
      perBattery: true,
    },
  ],
  leads: atPosts('none'),
  step: {
    minutes: 1,
    place: 'posts',
    informs: informs(0.9, 'battery-discharged'),
    settles: 'Shows the state of charge.',
    cautions: [],
  },
  askBack: hardlyABattery,
  question: {
    condition: 'surfaceChargeRemoved',
    asks: 'Charged since it was read low. Is the surface charge off: lamps on for a minute, off, 2 minutes of rest?',
    answers: [
      { says: 'Yes, it is off', value: true },
      { says: 'No, straight off the charger', value: false },
    ],
    matters: (value, gradedCase) =>
      gradedCase.charge !== null && !isCharged(gradedCase) && value >= neededVolts(gradedCase),
  },
  required: [{ by: ['none', 'starting', 'charging', 'ripple', 'overcharge'] }],
  keeps: [{ as: 'charge' }],
  asked: () => ({ surfaceChargeRemoved: true }),
  voids: [
    ofFigure(({ value, conditions = {} }, context) => {
      const full = fullVolts(context);
      if (value > full + context.criteria.surfaceChargeVolts * context.scale)
        return say('surface-charge-above-full', { value, full });
      const { surfaceChargeRemoved: removed, minutesSinceCharge = Infinity } = conditions;
      const isFresh = removed === undefined && minutesSinceCharge < FRESH_MINUTES;
      return (removed === false || isFresh) && value >= neededVolts(context) ? say('surface-charge-left-on', {}) : null;
    }),
  ],
  remark: ({ value }, context) => {
    const full = fullVolts(context);
    return typeof value === 'number' && value > full + NOTICED_VOLTS * context.scale
      ? say('a-little-surface-charge', { value, full })
      : null;
  },
  phrases,
  findings: ({ gradedCase }) => {
    const reading = weakestResting(gradedCase);
    const { charge } = gradedCase;
    if (!reading || charge === null) return [];
    const source = { reading: reading.id };
    const { value } = reading;
    const again: Finding[] =
      readingsOf(gradedCase, 'resting-voltage').filter(({ battery }) => battery === reading.battery).length >= 2 &&
      !isCharged(gradedCase)
        ? [fixed('still-low', causes('battery-dead-cell', ['battery-worn', 0.3]), source, say('still-low', { charge }))]
        : [];
    if (hasDeadCellVolts(gradedCase))
      return [
        fixed(
          'dead-cell-volts',
          causes('battery-dead-cell', ['battery-discharged', 0.03]),
          source,
          say('five-good-cells', { value }),
        ),
        ...again,
      ];
    return [
      weighed('charge', charge, {
        causes: LOW_CHARGE,
        atLeast: weightOf('full-at-least'),
        source,
        says: say('charge-at-rest', { value, charge }),
      }),
      // a cell that dies while it stands still answers when it is freshly charged
      ...(lostACell(gradedCase) || !allCellsAnswer(value, asOwnBattery(gradedCase, reading.battery))
        ? []
        : [cells(charge, value, source)]),
      ...again,
    ];
  },
};

export const restingVoltageModel: TestModel = {
  visitPlace: 10,
  reads: ({ vehicle, volts }) => done(volts(emf(vehicle)), { surfaceChargeRemoved: true }),
  slips: [
    // surface charge left on, and said so; or left on and nobody knows
    /* @__PURE__ */ slip(
      (value, scale, random) => value + random.between(0.25, 0.5) * scale,
      () => ({ surfaceChargeRemoved: false }),
    ),
    /* @__PURE__ */ slip((value, scale, random) => value + random.between(0.3, 0.6) * scale),
  ],
};

export const restingVoltageGuide: TestGuide = {
  why: ['Every later reading leans on it: a flat battery can test nothing else.'],
  spoils: [
    'Surface charge after driving or charging: lamps on, lamps off, then let it settle.',
    'Something still draws: hood light, modules awake, a door ajar.',
    'A figure that still moves has not rested long enough.',
  ],
  means: ['It says how full the battery is, never how good.', 'Far too low after a full charge: a dead cell.'],
};
