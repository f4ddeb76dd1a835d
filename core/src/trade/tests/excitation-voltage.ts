import { latest } from '../../judge/situation';
import { causes, weighed } from '../../judge/weigh/finding';
import { done } from '../../simulation/bench';
import { emf } from '../../simulation/cranking-circuit';
import { sayer } from '../../words/phrases';
import type { Voice } from '../../words/phrases';
import { POST_VOLTS } from '../measures';
import { across } from '../points';
import { informs } from '../step';
import type { Test } from '../test';

/** What the battery has where nobody read it (12 V), V. */
const USUAL_VOLTS = 12.5;

const phrases = {
  'excitation-volts': (w: { value: number }, voice: Voice) => `${voice.volts(w.value)} of excitation, key on`,
};
const say = sayer(phrases);

export const excitationVoltage: Test = {
  ...POST_VOLTS,
  usual: 12,
  name: 'Excitation voltage, key on',
  conditions: [],
  places: [{ group: 'Charging', at: 7, how: 'At the sense or ignition terminal.', asks: {}, ticks: ['key-on'] }],
  leads: across('alternator-sense', 'negative-post', 'none'),
  step: {
    minutes: 2,
    place: 'alternator',
    informs: informs(0.8, 'charge-control'),
    settles: 'Shows whether the alternator is told to charge.',
    cautions: [],
  },
  phrases,
  findings: ({ situation }) => {
    const reading = latest(situation, 'excitation-voltage');
    if (!reading) return [];
    const share = reading.value / (situation.resting ?? USUAL_VOLTS * situation.scale);
    return [
      weighed('excitation', share, {
        causes: causes('charge-control'),
        source: { reading: reading.id },
        says: say('excitation-volts', { value: reading.value }),
      }),
    ];
  },
  simulated: ({ vehicle, random, volts }) =>
    done(vehicle.excited ? volts(emf(vehicle) - 0.3 * vehicle.scale) : volts(random.between(0, 5) * vehicle.scale)),
};
