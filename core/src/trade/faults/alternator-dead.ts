import { ALTERNATOR_EXCUSED } from '../excuses/shared';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const alternatorDead: Fault = {
  name: 'alternator gives no output',
  repairs: 'alternator',
  part: () => 'alternator',
  customer: 'The alternator gives no current: the battery is not charged while driving.',
  prior: 0.04,
  symptoms: { 'charge-lamp': 1, 'dim-at-idle': 1, 'goes-flat': 1 },
  shows: { 'silent-alternator': 1, 'weak-output': 0.2, 'low-output': 0.2, 'no-output': 1 },
  excuses: [
    ...ALTERNATOR_EXCUSED,
    { excuse: 'strap-broken', how: 'With its ground strap broken a sound alternator has no way back for its current.' },
  ],
};

export const alternatorDeadEffect: FaultEffect = (vehicle) => void (vehicle.alternatorShare = 0);
