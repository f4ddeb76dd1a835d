import { isStill } from '../../evidence/flow';
import { latest } from '../../evidence/case-context';
import { causes, weighed } from '../../evidence/finding';
import { voltsUnderKey } from '../../evidence/told-to-crank';
import { done } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { across } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

const phrases = {
  'control-volts': (w: { value: number }, voice: Voice) =>
    `${voice.volts(w.value)} reaches the solenoid with the key at start`,
};
const say = sayer(phrases);

export const starterControlVoltage: Test = {
  ...POST_VOLTS,
  usual: 11,
  name: 'Starter control voltage',
  conditions: [],
  places: [
    {
      group: 'Starting',
      at: 7,
      how: 'At the solenoid’s control terminal.',
      asks: {},
      ticks: ['neutral', 'key-start'],
    },
  ],
  leads: across('solenoid-control', 'starter-case', 'cranking'),
  step: {
    minutes: 2,
    place: 'starter',
    engine: 'cranking',
    informs: [
      ...informs(0.9, 'starter-control'),
      ...informs(0.25, 'solenoid-contacts', 'cable-starter-positive', 'cable-starter-ground'),
    ],
    settles: 'Shows whether the solenoid gets its control voltage.',
    needsCharge: true,
    cautions: ['cranking'],
  },
  required: [{ by: ['starting'], when: isStill }],
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'starter-control-voltage');
    if (!reading) return [];
    return [
      weighed('control', reading.value / voltsUnderKey(reading, gradedCase), {
        causes: causes('starter-control'),
        source: { reading: reading.id },
        says: say('control-volts', { value: reading.value }),
      }),
    ];
  },
};

export const starterControlVoltageModel: TestModel = {
  visitPlace: 80,
  reads: ({ vehicle, cranking, volts }) =>
    done(volts(vehicle.controlVolts || Math.max(0.5, cranking.postVolts - 0.3 * vehicle.scale))),
};

export const starterControlVoltageGuide: TestGuide = {
  why: ['A starter that is not told to crank is not a bad starter.'],
  spoils: [
    'Judged as a figure alone: compare it with what the battery has at the same moment.',
    'Read against the body instead of the starter’s own case.',
  ],
  means: [
    'About the battery’s volts of that moment: it is told to crank.',
    'Well under half: relay, fuse, switch or wire of the control circuit.',
  ],
};
