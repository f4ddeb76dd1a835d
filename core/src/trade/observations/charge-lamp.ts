import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';

export const chargeLamp: ObservationKind = {
  name: 'Charge lamp',
  asks: 'Watch the charge lamp',
  findings: ['works', 'dead', 'on-running'],
  place: { group: 'Ask and look', at: 5, how: 'Key on: the lamp is lit. Running: it is out.' },
  step: {
    minutes: 0.5,
    place: 'look',
    informs: informs(0.25, 'charge-control'),
    settles: 'The lamp at key-on shows that the alternator is excited.',
    cautions: [],
  },
  required: [],
  isLooking: true,
  speaks: {
    dead: [{ of: ['charge-control'], weight: 'lamp-dead' }],
    works: [{ of: ['charge-control'], weight: 'lamp-works' }],
    'on-running': [
      {
        of: [
          'alternator-dead',
          'alternator-weak',
          'alternator-diode',
          'belt-slip',
          'charge-control',
          'charge-cable-positive',
          'charge-cable-ground',
        ],
        weight: 'lamp-running',
      },
    ],
  },
};

export const chargeLampModel: ObservationModel = {
  inFullVisit: true,
  shows: ({ vehicle, random, running }) => {
    if (!vehicle.excited && random.chance(0.6)) return 'dead';
    return running('off', 1500).outputAmps < 2 ? 'on-running' : 'works';
  },
};
