import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const chargeControl: Fault = {
  name: 'alternator excitation or command missing',
  repairs: 'alternator excitation or command',
  part: () => 'control',
  customer: 'The alternator is not told to charge: its control wire or lamp circuit is open.',
  prior: 0.03,
  symptoms: { 'charge-lamp': 1, 'dim-at-idle': 1, 'goes-flat': 0.7 },
  shows: { 'silent-alternator': 1, 'weak-output': 0.15, 'low-output': 0.15, 'no-output': 1 },
  excuses: [{ excuse: 'excitation-not-measured', how: 'A dead alternator is as silent: only the excitation tells.' }],
  where: 'excitation-voltage',
};

export const chargeControlEffect: FaultEffect = (vehicle) => void (vehicle.excited = false);
