import { along } from '../../circuit/model/along';
import { ALTERNATOR_EXCUSED } from '../excuses/shared';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const alternatorWeak: Fault = {
  name: 'alternator weak',
  repairs: 'alternator',
  part: () => 'alternator',
  customer: 'The alternator gives less than the vehicle needs.',
  prior: 0.03,
  symptoms: { 'charge-lamp': 1, 'dim-at-idle': 1, 'goes-flat': 1 },
  shows: { 'weak-output': 1, 'low-output': 1, 'no-output': 0.3 },
  excuses: [
    ...ALTERNATOR_EXCUSED,
    { excuse: 'charging-cable', how: 'Volts lost in the output cable are missing at the battery.' },
    { excuse: 'alternator-ground', how: 'Volts lost in the alternator’s ground are missing at the battery.' },
  ],
};

export const alternatorWeakEffect: FaultEffect = (vehicle, severity) =>
  void (vehicle.alternatorShare = along([0.66, 0.25], severity));
