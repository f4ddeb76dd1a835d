import { observed } from '../../evidence/case-context';
import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';

export const starterLoosened: ObservationKind = {
  name: 'Turn it, starter loosened',
  asks: 'Loosen or take off the starter and turn the engine by hand',
  findings: ['turns', 'locked'],
  place: {
    group: 'Starting',
    at: 10.5,
    how: 'Negative off. Starter loosened or off, then turn the crankshaft by its bolt: does the engine turn now?',
  },
  step: {
    minutes: 20,
    place: 'engine',
    informs: informs(0.95, 'starter-jammed', 'engine-drag'),
    settles: 'Tells a drive jammed in the ring gear from a locked engine.',
    // only an engine that is locked by hand asks for it
    when: (gradedCase) => observed(gradedCase, 'crank-by-hand') === 'locked',
    cautions: ['by-hand'],
  },
  required: [],
  isLooking: false,
  speaks: {
    turns: [
      { of: ['starter-jammed'], weight: 'loosened-turns' },
      { of: ['engine-drag', 'accessory-seized'], weight: 'loosened-turns-not-engine' },
    ],
    locked: [
      { of: ['engine-drag', ['accessory-seized', 0.5]], weight: 'loosened-locked' },
      { of: ['starter-jammed', 'starter-dragging'], weight: 'loosened-locked-not-starter' },
    ],
  },
};

export const starterLoosenedModel: ObservationModel = {
  inFullVisit: false,
  endsVisitOf: ({ locked, isJammed }) => locked || isJammed,
  shows: ({ vehicle }) => (vehicle.locked ? 'locked' : 'turns'),
  isUnmistakable: true,
};
