import { latest } from '../../evidence/case-context';
import { causes, fixed } from '../../evidence/finding';
import { done } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { ampsBetween } from '../measures';
import { atPosts } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** Over this charge a sound battery takes little too. */
const EMPTY_ENOUGH = 0.6;
/** The charger must stand at this (12 V), and the reading be taken within so many minutes. */
const MIN_VOLTS = 14.2;
const USUAL_VOLTS = 14.5;
const RIGHT_AWAY_MINUTES = 20;
/** A sound battery that stood deeply discharged refuses for some minutes: after so many it takes. */
const STILL_MINUTES = 30;
/** A sulphated battery takes only an amp or two right away (docs/criteria.md, charge acceptance), A. */
const TAKES_LITTLE_AMPS = 3;

const phrases = {
  'amps-taken': (w: { value: number; volts: number }, voice: Voice) =>
    `took ${voice.amps(w.value)} at ${voice.volts(w.volts)}`,
};
const say = sayer(phrases);

export const chargeAcceptance: Test = {
  ...ampsBetween(0, 500, 10),
  name: 'Charge acceptance',
  conditions: ['volts', 'minutes'],
  isOnce: true,
  places: [
    {
      group: 'Battery',
      at: 7,
      how: 'On the charger: how much does it take right away?',
      asks: { volts: USUAL_VOLTS, minutes: null },
      ticks: ['clamp-zeroed'],
      perBattery: true,
    },
  ],
  leads: { clamp: 'battery-cables', ...atPosts('none') },
  step: {
    minutes: 3,
    place: 'posts',
    informs: informs(0.35, 'battery-worn'),
    settles: 'A sulfated battery takes only an amp or two, however empty it is.',
    when: ({ charge }) => charge !== null && charge <= EMPTY_ENOUGH,
    cautions: ['acid'],
  },
  required: [],
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'charge-acceptance');
    if (!reading || (gradedCase.charge ?? 1) > EMPTY_ENOUGH) return [];
    const { volts = USUAL_VOLTS * gradedCase.scale, minutes = 0 } = reading.conditions ?? {};
    const { value } = reading;
    const isLittle = value < TAKES_LITTLE_AMPS;
    const isStill = minutes >= STILL_MINUTES;
    // what it takes later falls as it fills: only that it still takes next to nothing tells anything
    if (volts < MIN_VOLTS * gradedCase.scale || (minutes > RIGHT_AWAY_MINUTES && !(isStill && isLittle))) return [];
    return [
      fixed(
        isStill ? 'takes-little-still' : isLittle ? 'takes-little' : 'takes-enough',
        causes('battery-worn'),
        { reading: reading.id },
        say('amps-taken', { value, volts }),
      ),
    ];
  },
};

export const chargeAcceptanceModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, amps }) =>
    done(amps((0.05 + 0.5 * (1 - vehicle.charge)) * (vehicle.cca / 10) * vehicle.health ** 3), {
      volts: USUAL_VOLTS * vehicle.scale,
      minutes: 3,
    }),
};

export const chargeAcceptanceGuide: TestGuide = {
  why: ['A sulfated battery refuses the charge that it lacks.'],
  spoils: [
    'A charger that cannot hold its voltage.',
    'A battery that is already full takes little and is healthy.',
    'A very cold battery takes little at first.',
  ],
  means: [
    'Many amps on a low battery: it accepts charge.',
    'An amp or two on a low battery at once: perhaps sulfated; one that stood empty refuses for some minutes too.',
    'Still next to nothing after half an hour, with low volts: sulfated.',
  ],
};
