import type { ObservationKind, ObservationModel } from '../observation';

export const alternatorNoise: ObservationKind = {
  name: 'Alternator noise',
  asks: 'Listen to the alternator',
  findings: ['quiet', 'noisy'],
  place: { group: 'Ask and look', at: 6, how: 'Rumble or whine with the engine running.' },
  step: {
    minutes: 0.5,
    place: 'look',
    informs: [],
    settles: 'Worn bearings can be heard before they seize.',
    cautions: [],
  },
  required: [],
  isLooking: true,
  speaks: {
    noisy: [{ of: ['alternator-weak', 'accessory-seized', 'alternator-diode'], weight: 'alternator-noisy' }],
  },
};

export const alternatorNoiseModel: ObservationModel = {
  inFullVisit: true,
  shows: ({ random }) => (random.chance(0.05) ? 'noisy' : 'quiet'),
};
