import type { ObservationKind, ObservationModel } from '../observation';
import { sayer } from '../../format/message';

const phrases = {
  'clamp-drifts': () => 'The clamp does not stay at zero where it is used: demagnetise it, zero it and read again.',
};
const say = sayer(phrases);

export const clampZero: ObservationKind = {
  name: 'Clamp: zero',
  asks: 'Zero the clamp where it will be used',
  findings: ['zeroed', 'drifts'],
  place: {
    group: 'Ask and look',
    at: 11,
    how: 'Jaws closed, at the place and angle of use: does it stay at zero? Snap the jaws to demagnetise.',
  },
  step: {
    minutes: 0.5,
    place: 'look',
    informs: [],
    settles: 'A clamp that is off zero shifts every current reading.',
    cautions: [],
  },
  required: [],
  isLooking: true,
  speaks: {},
  doubts: (finding, _reading, { unit, leads }) =>
    finding === 'drifts' && leads?.clamp !== undefined && unit === 'A' ? say('clamp-drifts', {}) : null,
  phrases,
};

export const clampZeroModel: ObservationModel = {
  inFullVisit: false,
  shows: () => 'zeroed',
  isUnmistakable: true,
};
