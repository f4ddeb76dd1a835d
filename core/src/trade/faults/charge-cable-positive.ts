import { badPiece } from '../../circuit/model/bad-piece';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const chargeCablePositive: Fault = {
  name: 'bad charging cable',
  repairs: 'charging cable',
  part: () => 'connections',
  customer: 'The cable from the alternator to the battery loses too much.',
  prior: 0.03,
  symptoms: { 'charge-lamp': 1, 'dim-at-idle': 1, 'goes-flat': 1 },
  shows: { 'charge-path': 1, 'low-output': 0.8, 'no-output': 0.5 },
  excuses: [
    {
      excuse: 'charging-path-not-measured',
      how: 'A weak alternator shows the same low volts at the battery: only the drop tells.',
    },
  ],
  where: 'drop-charge-positive',
};

export const chargeCablePositiveEffect: FaultEffect = (vehicle, severity, random, spread) => {
  vehicle.linkBlown = severity > 0.85 && random.chance(0.7);
  badPiece('charge-cable')(vehicle, severity, random, spread);
};
