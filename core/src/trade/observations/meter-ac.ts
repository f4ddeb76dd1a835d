import type { ObservationKind, ObservationModel } from '../observation';
import { sayer } from '../../format/message';

const phrases = {
  'ac-sees-dc': () =>
    'This meter’s AC range sees DC on a plain battery: its ripple figure is worthless. Use one that blocks it.',
};
const say = sayer(phrases);

export const meterAc: ObservationKind = {
  name: 'Meter: AC range',
  asks: 'Try the AC range on a plain battery',
  findings: ['blocks-dc', 'passes-dc'],
  place: {
    group: 'Ask and look',
    at: 10,
    how: 'AC range on a resting battery, then with the leads swapped: near zero both times?',
  },
  step: {
    minutes: 0.5,
    place: 'look',
    informs: [],
    settles: 'Shows whether the AC range blocks DC; if not, its ripple reading cannot be used.',
    cautions: [],
  },
  required: [],
  isLooking: true,
  speaks: {},
  doubts: (finding, { test }) => (finding === 'passes-dc' && test === 'ripple-ac' ? say('ac-sees-dc', {}) : null),
  phrases,
};

export const meterAcModel: ObservationModel = {
  inFullVisit: false,
  shows: () => 'blocks-dc',
  isUnmistakable: true,
};
