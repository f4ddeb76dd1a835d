import { limitOf } from '../../evidence/limit-of';
import { latest } from '../../evidence/case-context';
import { causes, fixed } from '../../evidence/finding';
import { cannot, done, round } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { ampsBetween } from '../measures';
import { roundTheCables } from '../../circuit/points';
import { RUNNING_STEP } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** Minutes after the start at which it is read, and read again where it is still much. */
const FIRST_MINUTES = 3;
const SETTLED_MINUTES = 10;

const phrases = {
  'too-soon-after-start': (w: { value: number }, voice: Voice) =>
    `${voice.amps(w.value)} may only refill what the start took: read it 2 to 3 min after the start, and enter the minutes.`,
  'still-flowing-in': (w: { value: number; minutes: number }, voice: Voice) =>
    `${voice.amps(w.value)} still flow into the battery ${voice.plain(w.minutes, 0)} min after the start`,
};
const say = sayer(phrases);

export const batteryCurrent: Test = {
  ...ampsBetween(-500, 500, 3),
  name: 'Battery current, net',
  conditions: ['minutesAfterStart'],
  places: [
    {
      group: 'Charging',
      at: 5,
      how: 'Into the battery, 3 min after a normal start.',
      asks: { minutesAfterStart: null },
      ticks: ['clamp-zeroed', 'all-conductors'],
      waits: ['run'],
    },
  ],
  leads: roundTheCables('charging'),
  step: {
    ...RUNNING_STEP,
    minutes: 4,
    place: 'running',
    informs: [],
    settles: 'A high current minutes after the start means a low battery or a bad cell.',
  },
  required: [],
  // what still flows in after a few minutes is settled by the same some minutes later
  asked: (gradedCase) => {
    const reading = latest(gradedCase, 'battery-current');
    const isMuch = reading && gradedCase.grades.get(reading.id)?.grade !== 'within';
    return { minutesAfterStart: isMuch ? SETTLED_MINUTES : FIRST_MINUTES };
  },
  retaken: ['too-soon-after-start', 'still-settling'],
  noted: ({ value }) => (typeof value === 'number' ? say('too-soon-after-start', { value }) : null),
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'battery-current');
    const limit = reading && limitOf(gradedCase, reading);
    const minutes = reading?.conditions?.minutesAfterStart ?? 0;
    if (!reading || !limit?.drawn || reading.value <= limit.drawn.max) return [];
    return [
      fixed(
        'takes-much-running',
        causes('battery-discharged', 'battery-dead-cell', ['battery-worn', 0.3]),
        { reading: reading.id },
        say('still-flowing-in', { value: reading.value, minutes }),
      ),
    ];
  },
};

export const batteryCurrentModel: TestModel = {
  visitPlace: null,
  reads: ({ starts, running, random }) =>
    starts
      ? done(round(running('off', 1500).batteryAmps * random.factor(0.05), 1), { minutesAfterStart: 3 })
      : cannot('did-not-start'),
};

export const batteryCurrentGuide: TestGuide = {
  why: ['A few minutes after a start the battery should have taken back what the start cost.'],
  spoils: [
    'Read too soon after the start.',
    'A clamp that is not zeroed: a few amps decide here.',
    'A clamp that leaves out one conductor of the post.',
  ],
  means: [
    'A few amps: the battery is full and takes what it should.',
    'Much more, for long: the battery is low or has a bad cell, and overheats the alternator in time.',
  ],
};
