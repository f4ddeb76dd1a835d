import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';
import { soundPieceOhms } from '../../circuit/model/vehicle';

const GROUNDS = ['cable-starter-ground', 'charge-cable-ground', 'ground-body'] as const;
/** Loss over a sound strap's from which it may show. */
const SHOWS_FROM = 10;

export const groundStrap: ObservationKind = {
  name: 'Ground strap',
  asks: 'Look at the ground strap',
  findings: ['sound', 'damaged'],
  place: {
    group: 'Ask and look',
    at: 7,
    how: 'Engine to body and battery: broken strands, loose lugs, paint.',
  },
  step: {
    minutes: 0.5,
    place: 'look',
    informs: informs(0.15, ...GROUNDS),
    settles: 'Without output there is no drop to measure: check the strap by eye.',
    cautions: [],
  },
  required: [],
  isLooking: true,
  speaks: {
    damaged: [{ of: GROUNDS, weight: 'strap-damaged' }],
    sound: [{ of: GROUNDS, weight: 'strap-sound' }],
  },
};

export const groundStrapModel: ObservationModel = {
  inFullVisit: true,
  shows: ({ vehicle, random }) => {
    const shows = (['engine-strap', 'alternator-joint', 'body-strap'] as const).some(
      (piece) => vehicle.pieces[piece] > SHOWS_FROM * soundPieceOhms(piece, vehicle),
    );
    return shows && random.chance(0.5) ? 'damaged' : 'sound';
  },
};
