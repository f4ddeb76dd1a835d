import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';

export const beltRemovedCrank: ObservationKind = {
  name: 'Crank, belt off',
  asks: 'Crank with the belt off',
  findings: ['unchanged', 'freed'],
  place: { group: 'Starting', at: 9, how: 'Second of three. Accessory belt off, crank again: do the amps fall?' },
  step: {
    minutes: 8,
    place: 'engine',
    engine: 'cranking',
    informs: informs(0.9, 'accessory-seized', 'engine-drag'),
    settles: 'Finds a seized accessory: take the belt off and crank again.',
    cautions: ['by-hand', 'cranking'],
  },
  required: [],
  isLooking: false,
  speaks: {
    freed: [
      { of: ['accessory-seized'], weight: 'belt-off-freed' },
      { of: ['engine-drag', 'starter-dragging', 'starter-jammed'], weight: 'belt-off-not-else' },
    ],
    unchanged: [{ of: ['accessory-seized'], weight: 'belt-off-unchanged' }],
  },
};

export const beltRemovedCrankModel: ObservationModel = {
  inFullVisit: true,
  shows: ({ vehicle }) => (vehicle.accessorySeized ? 'freed' : 'unchanged'),
  isUnmistakable: true,
};
