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
    settles: 'Rules out a locked engine, not drag.',
    cautions: ['by-hand'],
  },
  required: [{ by: ['starting'], when: asksALot }],
  isLooking: false,
  speaks: {
    // it excludes a lock, and not every drag
    turns: [
      { of: HELD, weight: 'hand-turns' },
      { of: ['starter-jammed'], weight: 'hand-turns-not-jammed' },
    ],
    tight: [
      { of: HELD, weight: 'hand-tight' },
      { of: ['starter-dragging'], weight: 'hand-tight-not-starter' },
    ],
    // a drive jammed in the ring gear locks it too
    locked: [{ of: [...HELD, 'starter-jammed'], weight: 'hand-locked' }],
  },
};

export const crankByHandModel: ObservationModel = {
  inFullVisit: true,
  shows: ({ vehicle }) => (vehicle.locked || vehicle.isJammed ? 'locked' : isDragged(vehicle) ? 'tight' : 'turns'),
};
