import type { ObservationKind, ObservationModel } from '../observation';
import { sayer } from '../../format/message';

const phrases = {
  'leads-jump': () => 'The meter’s leads jump when they are wiggled: change them and read again.',
};
const say = sayer(phrases);

export const meterLeads: ObservationKind = {
  name: 'Meter: leads',
  asks: 'Short the meter’s leads and wiggle them',
  findings: ['steady', 'jumping'],
  place: {
    group: 'Ask and look',
    at: 9,
    how: 'Ohms range, tips together: about 0.1 to 0.5 ohm, steady while wiggled at both ends?',
  },
  step: {
    minutes: 0.5,
    place: 'look',
    informs: [],
    settles: 'A jumping lead makes every reading of that meter doubtful.',
    cautions: [],
  },
  required: [],
  isLooking: true,
  speaks: {},
  doubts: (finding, _reading, { unit, leads }) =>
    finding === 'jumping' && unit === 'V' && leads?.red !== undefined ? say('leads-jump', {}) : null,
  phrases,
};

export const meterLeadsModel: ObservationModel = {
  inFullVisit: false,
  shows: () => 'steady',
  isUnmistakable: true,
};
