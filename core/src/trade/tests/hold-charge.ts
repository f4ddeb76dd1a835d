import { limitOf } from '../../evidence/limit-of';
import { lostACell } from '../../evidence/charge';
import { latest } from '../../evidence/case-context';
import { causes, weighed } from '../../evidence/finding';
import { done } from '../../evidence/simulated-bench';
import { emf } from '../../circuit/model/cranking-circuit';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

const HOURS = 12;

const phrases = {
  'lost-standing': (w: { lost: number; hours?: number }, voice: Voice) =>
    `lost ${voice.volts(w.lost)} standing disconnected${w.hours === undefined ? '' : ` for ${voice.plain(w.hours, 0)} h`}`,
};
const say = sayer(phrases);

export const holdCharge: Test = {
  ...POST_VOLTS,
  name: 'Holds its charge',
  conditions: ['hours', 'startVolts'],
  isOnce: true,
  direct: ['battery-dead-cell', 'battery-worn'],
  places: [
    {
      group: 'Battery',
      at: 8,
      how: 'Charged, disconnected, left standing: what is left?',
      asks: { hours: null, startVolts: null },
      ticks: ['disconnected'],
      perBattery: true,
    },
  ],
  leads: atPosts('none'),
  step: {
    minutes: 30,
    place: 'standing',
    engine: 'asleep',
    informs: informs(0.4, 'battery-dead-cell'),
    settles: 'Shows whether the battery discharges by itself.',
    cautions: ['disconnect'],
  },
  required: [{ by: ['standing'], as: 'endurance' }],
  tellsOf: 'battery',
  asked: () => ({ hours: HOURS }),
  known: ({ resting }) => (resting === null ? {} : { startVolts: resting }),
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'hold-charge');
    const limit = reading && limitOf(gradedCase, reading);
    if (!reading || !limit) return [];
    const lost = limit.value;
    const { hours } = reading.conditions ?? {};
    return [
      weighed('hold-loss', lost / limit.max, {
        causes: lostACell(gradedCase)
          ? causes('battery-dead-cell')
          : causes('battery-dead-cell', ['battery-worn', 0.4]),
        source: { reading: reading.id },
        says: say('lost-standing', { lost, ...(hours !== undefined && { hours }) }),
      }),
    ];
  },
};

export const holdChargeModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, random, volts }) => {
    const loss = vehicle.deadCell ? random.between(0.5, 1.5) : random.between(0, 0.06);
    return done(volts(emf(vehicle) - loss * vehicle.scale), { hours: HOURS, startVolts: volts(emf(vehicle)) });
  },
};

export const holdChargeGuide: TestGuide = {
  why: ['A battery that loses its charge with nothing connected is done, whatever else it shows.'],
  spoils: [
    'Something still connected overnight.',
    'Not full when it was put aside.',
    'Surface charge left on the plates at the first reading.',
  ],
  means: [
    'Much lost: proof by itself, no further charge is owed.',
    'Little lost: the drain is in the vehicle, not in the battery.',
  ],
};
