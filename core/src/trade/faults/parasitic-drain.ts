import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const parasiticDrain: Fault = {
  name: 'drain while parked',
  repairs: 'drain',
  part: () => 'drain',
  customer: 'Something takes current while the vehicle is parked and empties the battery.',
  prior: 0.04,
  symptoms: { 'goes-flat': 1 },
  excuses: [
    {
      excuse: 'drain-not-measured',
      how: 'A battery that does not hold its charge is flat in the morning too: only the draw tells.',
    },
  ],
  where: 'parasitic-draw',
};

export const parasiticDrainEffect: FaultEffect = (vehicle, severity) =>
  void (vehicle.drainAmps = 0.18 * 12 ** severity);
