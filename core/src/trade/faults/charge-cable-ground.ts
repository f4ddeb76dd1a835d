import { badPiece } from '../../circuit/model/bad-piece';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const chargeCableGround: Fault = {
  name: 'bad alternator ground',
  repairs: 'alternator ground',
  part: () => 'connections',
  customer: 'The alternator’s ground connection loses too much.',
  prior: 0.03,
  symptoms: { 'charge-lamp': 1, 'dim-at-idle': 1, 'goes-flat': 1 },
  shows: { 'charge-path': 1, 'low-output': 0.8, 'no-output': 0.5 },
  excuses: [
    {
      excuse: 'alternator-ground-not-measured',
      how: 'A weak alternator shows the same low volts at the battery: only the drop tells.',
    },
  ],
  where: 'drop-charge-ground',
};

export const chargeCableGroundEffect: FaultEffect = /* @__PURE__ */ badPiece('alternator-joint');
