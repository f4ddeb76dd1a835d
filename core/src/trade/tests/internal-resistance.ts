import { coldFactor } from '../../battery/cranking-resistance';
import { noOhms } from '../../evidence/ask-back';
import { done, round } from '../../evidence/simulated-bench';
import { smallSignalOhm } from '../../circuit/model/cranking-circuit';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import { atPosts } from '../../circuit/points';
import { informs } from '../../evidence/step';
import { POST_VOLTS } from '../measures';
import { message } from '../../evidence/messages';
import type { TestGuide } from '../test-guide';

/** Relative error of the tester in the circuit model. */
const TESTER_ERROR = 0.06;

export const internalResistance: Test = {
  ...POST_VOLTS,
  unit: 'ohm',
  domain: [0, 1],
  usual: 0.006,
  scales: false,
  name: 'Internal resistance',
  conditions: ['temperatureCorrected'],
  places: [
    {
      group: 'Battery',
      at: 5,
      how: 'As the tester gives it, at the posts.',
      asks: { temperatureCorrected: null },
      ticks: ['on-posts'],
      perBattery: true,
    },
  ],
  leads: atPosts('none'),
  step: {
    minutes: 1.5,
    place: 'posts',
    informs: informs(0.6, 'battery-worn'),
    settles: 'Gives a second measure of the battery’s health.',
    cautions: [],
  },
  askBack: noOhms,
  required: [{ by: ['starting', 'standing'], as: 'health', choice: 3 }],
  keeps: [{ as: 'health', choice: 3, mustPass: true }],
  tellsOf: 'battery',
  noted: ({ test, value }, { case: { system }, labelDoubt }) =>
    labelDoubt ??
    (system.battery.rating || typeof value !== 'number' ? null : message('needs-rating', { test, value })),
};

export const internalResistanceModel: TestModel = {
  visitPlace: 40,
  // a tester that does not ask for the temperature
  reads: ({ vehicle, random }) =>
    done(round(smallSignalOhm(vehicle) * coldFactor(vehicle.celsius) * random.factor(TESTER_ERROR), 5)),
};

export const internalResistanceGuide: TestGuide = {
  why: ['Resistance grows as plates are lost.'],
  spoils: [
    'One band for all batteries condemns small sound ones and passes large worn ones: it is judged against the rating.',
    'Dirty posts and poor clamps add to it.',
    'Cold: at −18 °C a sound battery reads about 1.4 times as much, where the tester does not correct it.',
    'A wrong label.',
  ],
  means: ['Well over what its rating leads one to expect: worn, where another kind of test agrees.'],
};
