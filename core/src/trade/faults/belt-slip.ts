import { along } from '../../circuit/model/along';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const beltSlip: Fault = {
  name: 'belt slipping',
  repairs: 'belt',
  part: () => 'belt',
  customer: 'The belt slips, so that the alternator does not turn fast enough.',
  prior: 0.03,
  symptoms: { 'charge-lamp': 1, 'dim-at-idle': 1, 'goes-flat': 1, 'belt-squeal': 1 },
  shows: { 'weak-output': 0.9, 'low-output': 0.9, 'no-output': 0.25 },
  excuses: [
    { excuse: 'belt-not-seen', how: 'Weak output has many causes: only the belt itself shows whether it slips.' },
    {
      excuse: 'low-output-not-read',
      how: 'A belt may look worn or be typed wrongly and still drive the alternator: its output tells.',
    },
    {
      excuse: 'not-told-with-this-belt',
      how: 'Without excitation or command the output is low with any belt that is there.',
    },
  ],
  where: 'belt',
};

export const beltSlipEffect: FaultEffect = (vehicle, severity) =>
  void (vehicle.beltShare = along([0.6, 0.15], severity));
