import { observed } from '../../evidence/case-context';
import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';

/** What the belt drives. */
const DRIVEN = ['alternator', 'compressor', 'pump', 'tensioner', 'idler'] as const;

export const accessoriesByHand: ObservationKind = {
  name: 'Pulleys by hand',
  asks: 'With the belt off, turn each pulley by hand',
  findings: ['free', ...DRIVEN],
  place: {
    group: 'Starting',
    at: 9.5,
    how: 'Belt off. Turn each pulley by hand: alternator, compressor, pump, tensioner, idler. Which one binds?',
  },
  step: {
    minutes: 4,
    place: 'engine',
    informs: informs(0.6, 'accessory-seized'),
    settles: 'Names the accessory that binds.',
    when: (gradedCase) => observed(gradedCase, 'belt-removed-crank') === 'freed',
    cautions: ['by-hand'],
  },
  required: [],
  isLooking: false,
  speaks: {
    free: [{ of: ['accessory-seized'], weight: 'accessories-free' }],
    ...Object.fromEntries(
      DRIVEN.map((name) => [name, [{ of: ['accessory-seized'] as const, weight: 'accessory-binds' as const }]]),
    ),
  },
};

export const accessoriesByHandModel: ObservationModel = {
  inFullVisit: false,
  endsVisitOf: ({ accessorySeized }) => accessorySeized,
  shows: ({ vehicle, random }) => (vehicle.accessorySeized ? DRIVEN[random.chance(0.5) ? 0 : 1] : 'free'),
  isUnmistakable: true,
};
