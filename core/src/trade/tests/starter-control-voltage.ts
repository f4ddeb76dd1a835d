import { latest } from '../../judge/situation';
import { causes, weighed } from '../../judge/weigh/finding';
import { done } from '../../simulation/bench';
import { sayer } from '../../words/phrases';
import type { Voice } from '../../words/phrases';
import { POST_VOLTS } from '../measures';
import { across } from '../points';
import { informs } from '../step';
import type { Test } from '../test';

/** What the battery still has where nobody read it (12 V), V. */
const USUAL_VOLTS = 12;

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
    informs: [
      ...informs(0.9, 'starter-control'),
      ...informs(0.25, 'solenoid-contacts', 'cable-starter-positive', 'cable-starter-ground'),
    ],
    settles: 'Shows whether the solenoid is told to work.',
    needsCharge: true,
    cautions: ['cranking'],
  },
  phrases,
  findings: ({ situation }) => {
    const reading = latest(situation, 'starter-control-voltage');
    if (!reading) return [];
    const there = latest(situation, 'cranking-voltage')?.value ?? situation.resting ?? USUAL_VOLTS * situation.scale;
    return [
      weighed('control', reading.value / there, {
        causes: causes('starter-control'),
        source: { reading: reading.id },
        says: say('control-volts', { value: reading.value }),
      }),
    ];
  },
  simulated: ({ vehicle, cranking, volts }) =>
    done(volts(vehicle.controlVolts || Math.max(0.5, cranking.postVolts - 0.3 * vehicle.scale))),
};
