import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';
import { soundPieceOhms } from '../../circuit/model/vehicle';

const POSTS = ['connection-positive-post', 'connection-negative-post'] as const;
/** Loss over a sound post's from which it shows on the outside, and how often it does. */
const SHOWS_FROM = 5;

export const terminals: ObservationKind = {
  name: 'Terminals',
  asks: 'Look at the terminals',
  findings: ['clean', 'corroded', 'loose'],
  place: { group: 'Ask and look', at: 2, how: 'Corroded or loose? Twist each clamp by hand.' },
  step: {
    minutes: 0.5,
    place: 'look',
    informs: informs(0.25, ...POSTS),
    settles: 'Loose or corroded terminals look like a bad battery or starter.',
    cautions: [],
  },
  required: [{ by: ['none', 'starting'] }],
  isLooking: true,
  speaks: {
    corroded: [{ of: POSTS, weight: 'terminals-corroded' }],
    loose: [{ of: POSTS, weight: 'terminals-loose' }],
    clean: [{ of: POSTS, weight: 'terminals-clean' }],
  },
};

export const terminalsModel: ObservationModel = {
  inFullVisit: true,
  shows: ({ vehicle, random }) => {
    const worst = Math.max(vehicle.pieces['positive-post'], vehicle.pieces['negative-post']);
    if (worst > SHOWS_FROM * soundPieceOhms('positive-post', vehicle))
      return random.chance(0.75) ? random.pick(['corroded', 'loose']) : 'clean';
    return random.chance(0.12) ? 'corroded' : 'clean';
  },
};
