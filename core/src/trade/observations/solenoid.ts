import { isCharged } from '../../evidence/case-context';
import { isStill } from '../../evidence/flow';
import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';

/** What keeps a solenoid silent: nothing tells it to close, or its way to the battery or back is open. */
const SILENT = ['starter-control', 'cable-starter-ground', 'connection-negative-post', 'solenoid-contacts'] as const;
/** Volts at the posts (12 V) under which a solenoid that pulls in falls off again, V. */
const CHATTERS_UNDER_VOLTS = 7;
const NO_CURRENT_AMPS = 1;

export const solenoid: ObservationKind = {
  name: 'Solenoid',
  asks: 'Listen to the solenoid with the key at start',
  findings: ['clicks', 'chatters', 'silent'],
  place: {
    group: 'Starting',
    at: 6.5,
    how: 'Key at start, an ear or a hand near the starter: one click, a rapid chatter, or nothing?',
  },
  step: {
    minutes: 0.5,
    place: 'starter',
    engine: 'cranking',
    informs: informs(0.3, 'starter-control'),
    settles: 'Tells a solenoid that closes from one that is not told to.',
    cautions: ['cranking'],
    when: (gradedCase) => isCharged(gradedCase) && isStill(gradedCase),
  },
  required: [],
  isLooking: false,
  speaks: {
    clicks: [{ of: ['starter-control'], weight: 'solenoid-clicks' }],
    chatters: [
      {
        of: [
          'battery-discharged',
          'battery-worn',
          'battery-dead-cell',
          'connection-positive-post',
          ...SILENT.slice(1, 3),
        ],
        weight: 'solenoid-chatters',
      },
      { of: ['starter-control'], weight: 'solenoid-clicks' },
    ],
    silent: [{ of: SILENT, weight: 'solenoid-silent' }],
  },
};

export const solenoidModel: ObservationModel = {
  inFullVisit: false,
  shows: ({ vehicle, cranking }) => {
    const isGroundOpen = cranking.amps < NO_CURRENT_AMPS && vehicle.pieces['engine-strap'] > vehicle.motorOhm;
    if (vehicle.controlVolts !== 0 || isGroundOpen) return 'silent';
    return cranking.rpm === 0 && cranking.postVolts < CHATTERS_UNDER_VOLTS * vehicle.scale ? 'chatters' : 'clicks';
  },
};
