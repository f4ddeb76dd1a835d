import { isCharging } from '../../evidence/is-charging';
import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';

const SLIPS = ['belt-slip'] as const;

export const belt: ObservationKind = {
  name: 'Belt',
  asks: 'Look at the belt',
  findings: ['good', 'glazed', 'loose', 'missing'],
  place: { group: 'Ask and look', at: 4, how: 'Glazed, loose, missing? Press it midway.' },
  step: {
    minutes: 0.5,
    place: 'look',
    informs: informs(0.7, ...SLIPS),
    settles: 'A slipping belt looks like a weak alternator.',
    cautions: [],
  },
  required: [{ by: ['none', 'charging'] }],
  isLooking: true,
  speaks: {
    good: [{ of: SLIPS, weight: 'belt-good' }],
    glazed: [{ of: SLIPS, weight: 'belt-glazed' }],
    loose: [{ of: SLIPS, weight: 'belt-loose' }],
    // what charges has its belt
    missing: [{ of: SLIPS, weight: 'belt-missing', isRefuted: isCharging }],
  },
};

export const beltModel: ObservationModel = {
  inFullVisit: true,
  shows: ({ vehicle, random }) => (vehicle.beltShare < 0.7 ? random.pick(['glazed', 'loose']) : 'good'),
};
