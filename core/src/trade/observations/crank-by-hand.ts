import { latest } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';
import { isDragged } from '../../circuit/model/vehicle';

const HELD = ['engine-drag', 'accessory-seized'] as const;

/** More amps than the middle of the usual range: something may be holding the engine. */
const asksALot = (gradedCase: GradedCase): boolean =>
  (latest(gradedCase, 'starter-draw')?.value ?? 0) > gradedCase.draw.reference;

export const crankByHand: ObservationKind = {
  name: 'Turn it by hand',
  asks: 'Turn the engine by hand',
  findings: ['turns', 'tight', 'locked'],
  place: {
    group: 'Starting',
    at: 8,
    how: 'First of three. Turn the crankshaft by its bolt: does it turn, is it tight, is it locked?',
  },
  step: {
    minutes: 3,
    place: 'engine',
    informs: informs(0.6, ...HELD),
    settles: 'Shows whether the engine turns freely: do this before replacing a starter.',
    cautions: ['by-hand'],
  },
  required: [{ by: ['starting'], when: asksALot }],
  isLooking: false,
  speaks: {
    turns: [{ of: HELD, weight: 'hand-turns' }],
    tight: [
      { of: HELD, weight: 'hand-tight' },
      { of: ['starter-dragging'], weight: 'hand-tight-not-starter' },
    ],
    // a drive jammed in the ring gear locks it too
    locked: [{ of: [...HELD, ['starter-dragging', 0.2]], weight: 'hand-locked' }],
  },
};

export const crankByHandModel: ObservationModel = {
  inFullVisit: true,
  shows: ({ vehicle }) => (vehicle.locked ? 'locked' : isDragged(vehicle) ? 'tight' : 'turns'),
};
