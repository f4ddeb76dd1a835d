import { observed } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';
import { asksForMore, isDragged } from '../../circuit/model/vehicle';

const isBeltOn = (gradedCase: GradedCase): boolean => observed(gradedCase, 'belt-removed-crank') === undefined;

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
    // with the belt still on it says nothing of what the belt drives, and accuses nothing
    unchanged: [
      { of: ['starter-dragging', ['engine-drag', 0.5]], weight: 'plugs-out-unchanged', isRefuted: isBeltOn },
      { of: ['engine-drag'], weight: 'plugs-out-not-engine', isRefuted: isBeltOn },
    ],
  },
};

export const plugsRemovedCrankModel: ObservationModel = {
  inFullVisit: false,
  endsVisitOf: asksForMore,
  shows: ({ vehicle, random }) =>
    isDragged(vehicle) && !vehicle.accessorySeized && !vehicle.isJammed && random.chance(0.4) ? 'freed' : 'unchanged',
  isUnmistakable: true,
};
