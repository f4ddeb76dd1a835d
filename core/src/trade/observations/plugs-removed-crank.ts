import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';
import { isDragged } from '../../circuit/model/vehicle';

export const plugsRemovedCrank: ObservationKind = {
  name: 'Crank, plugs out',
  asks: 'Crank with the plugs out',
  findings: ['unchanged', 'freed'],
  place: {
    group: 'Starting',
    at: 10,
    how: 'Third of three. Plugs out, crank again: still heavy is the starter or the bottom end.',
  },
  step: {
    minutes: 20,
    place: 'engine',
    engine: 'cranking',
    informs: informs(0.5, 'engine-drag', 'starter-dragging'),
    settles: 'Tells high compression from tight bearings.',
    cautions: ['by-hand', 'cranking'],
  },
  required: [],
  isLooking: false,
  speaks: {
    freed: [
      { of: ['engine-drag'], weight: 'plugs-out-freed' },
      { of: ['starter-dragging'], weight: 'plugs-out-not-starter' },
    ],
    unchanged: [
      { of: ['starter-dragging'], weight: 'plugs-out-unchanged' },
      { of: ['engine-drag'], weight: 'plugs-out-not-engine' },
    ],
  },
};

export const plugsRemovedCrankModel: ObservationModel = {
  inFullVisit: false,
  shows: ({ vehicle, random }) =>
    isDragged(vehicle) && !vehicle.accessorySeized && random.chance(0.4) ? 'freed' : 'unchanged',
  isUnmistakable: true,
};
