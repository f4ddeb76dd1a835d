import type { ObservationKind, ObservationModel } from '../observation';

export const electrolyte: ObservationKind = {
  name: 'Electrolyte',
  asks: 'Look at the electrolyte level',
  findings: ['covered', 'low'],
  place: {
    group: 'Ask and look',
    at: 3,
    how: 'Batteries with caps only. Plates covered by about 6 mm; distilled water only.',
  },
  step: {
    minutes: 1,
    place: 'look',
    informs: [],
    settles: 'Low electrolyte points to age or overcharging.',
    cautions: ['acid'],
  },
  required: [],
  isLooking: true,
  speaks: { low: [{ of: ['battery-worn', 'regulator-high'], weight: 'electrolyte-low' }] },
};

export const electrolyteModel: ObservationModel = {
  inFullVisit: true,
  shows: ({ vehicle, random }) => (random.chance(vehicle.health < 0.7 ? 0.3 : 0.05) ? 'low' : 'covered'),
};
