import { studVolts } from '../../evidence/stud-volts';
import { isCharging } from '../../evidence/is-charging';
import type { ObservationKind, ObservationModel } from '../observation';

const LINK = ['charge-cable-positive'] as const;

export const fusibleLink: ObservationKind = {
  name: 'Fusible link',
  asks: 'Look at the fusible link',
  findings: ['sound', 'blown'],
  place: { group: 'Ask and look', at: 8, how: 'Between the alternator and the battery: burnt or stretched?' },
  step: {
    minutes: 1,
    place: 'look',
    informs: [],
    settles: 'A blown link cuts the alternator off from the battery.',
    cautions: [],
  },
  required: [],
  isLooking: true,
  speaks: {
    blown: [{ of: LINK, weight: 'link-blown', isRefuted: (seen) => isCharging(seen) || studVolts(seen) === 'there' }],
    sound: [{ of: LINK, weight: 'link-sound' }],
  },
};

export const fusibleLinkModel: ObservationModel = {
  inFullVisit: true,
  shows: ({ vehicle }) => (vehicle.linkBlown ? 'blown' : 'sound'),
};
