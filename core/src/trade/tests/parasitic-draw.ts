import { caresFrom, limitOf } from '../../evidence/limit-of';
import { latest } from '../../evidence/case-context';
import { ofFigure } from '../../evidence/void/void-rule';
import { fuseToPull } from '../../evidence/fuses';
import { causes, weighed } from '../../evidence/finding';
import { done, round } from '../../evidence/simulated-bench';
import { slip } from '../../evidence/slips';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { ampsBetween } from '../measures';
import { roundTheCables } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** Modules fall asleep within 20 to 60 min; before this many a high figure says nothing. */
const ASLEEP_MINUTES = 15;
const WAIT_MINUTES = 30;
/** Noise of a small clamp, A. */
const FLOOR_AMPS = 0.002;

const phrases = {
  'still-awake': (w: { minutes: number }, voice: Voice) =>
    `After ${voice.plain(w.minutes, 0)} min the modules may still be awake: latch the doors and wait 20 to 60 min.`,
  'flows-without-fuse': (w: { value: number; fuse: string; through: number }, voice: Voice) =>
    `${voice.amps(w.value)} with ${w.fuse} pulled: ${voice.amps(w.through)} flow through it.`,
  'flows-asleep': (w: { value: number }, voice: Voice) => `${voice.amps(w.value)} flow with everything off`,
};
const say = sayer(phrases);

export const parasiticDraw: Test = {
  ...ampsBetween(-1, 100, 0.03),
  name: 'Drain current',
  conditions: ['minutesAsleep', 'pulled'],
  direct: ['parasitic-drain'],
  confirmedBy: 'fuse-drop',
  places: [
    {
      group: 'Drain',
      at: 1,
      how: 'Wait until the modules sleep, then read.',
      asks: { minutesAsleep: null, pulled: null },
      ticks: ['doors-latched', 'clamp-zeroed', 'all-conductors'],
      waits: ['sleep'],
    },
  ],
  leads: roundTheCables('none'),
  step: {
    minutes: 5, // the wait for sleep is not work
    place: 'standing',
    engine: 'asleep',
    informs: informs(0.87, 'parasitic-drain'),
    settles: 'Measures the drain with everything off and asleep.',
    dueFor: 'goes-flat',
    cautions: [],
  },
  required: [{ by: ['standing'] }],
  asked: () => ({ minutesAsleep: WAIT_MINUTES }),
  // the whole is read and the fuse is found: what is read next is the drain without it
  known: (gradedCase) => {
    const pulled = fuseToPull(gradedCase);
    return pulled === null ? {} : { pulled };
  },
  question: {
    condition: 'minutesAsleep',
    asks: 'How long were the doors latched and the key away? Modules need 20 to 60 minutes to fall asleep.',
    answers: [
      { says: 'Less than 15 minutes', value: 0 },
      { says: 'Over 20 minutes', value: 20 },
      { says: 'Over an hour', value: 60 },
    ],
    matters: () => true,
  },
  isPartial: ({ conditions }) => conditions?.pulled !== undefined,
  noted: ({ value, conditions }, context) => {
    if (typeof value !== 'number' || conditions?.pulled === undefined) return null;
    const through = Math.max(0, (latest(context, 'parasitic-draw')?.value ?? value) - value);
    return say('flows-without-fuse', { value, fuse: conditions.pulled, through });
  },
  voids: [
    ofFigure((reading, _context, compared) => {
      const minutes = reading.conditions?.minutesAsleep;
      return minutes !== undefined && minutes < ASLEEP_MINUTES && compared()?.grade !== 'within'
        ? say('still-awake', { minutes })
        : null;
    }),
  ],
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'parasitic-draw');
    const limit = reading && limitOf(gradedCase, reading);
    if (!reading || !limit) return [];
    return [
      weighed('drain', Math.log((Math.abs(reading.value) + FLOOR_AMPS) / caresFrom(limit)), {
        causes: causes('parasitic-drain'),
        source: { reading: reading.id },
        says: say('flows-asleep', { value: reading.value }),
      }),
    ];
  },
};

export const parasiticDrawModel: TestModel = {
  visitPlace: 240,
  reads: ({ vehicle, random }) => done(round(vehicle.drainAmps * random.factor(0.05), 3), { minutesAsleep: 40 }),
  // read before the modules slept
  slips: [
    /* @__PURE__ */ slip(
      (_value, _scale, random) => random.between(0.4, 3),
      () => ({ minutesAsleep: 2 }),
    ),
  ],
};

export const parasiticDrawGuide: TestGuide = {
  why: ['It finds out whether the vehicle empties the battery while it stands.'],
  spoils: [
    'Modules still awake: wait 20 to 60 minutes with doors latched and the key away.',
    'The meter’s fuse or range interrupted the circuit and woke everything.',
    'A clamp that is not zeroed at its place, or does not hold all conductors of the post.',
  ],
  means: [
    'Usable ampere hours over amps give the hours to a no-start.',
    'A draw read twice while asleep is a fact, whatever else is found.',
  ],
};
