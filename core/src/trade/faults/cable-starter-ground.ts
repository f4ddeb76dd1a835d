import { badPiece } from '../../circuit/model/bad-piece';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const cableStarterGround: Fault = {
  name: 'bad ground between starter and battery',
  repairs: 'ground between starter and battery',
  part: () => 'connections',
  customer: 'The ground connection of the starter loses too much. Battery and starter are not the cause.',
  prior: 0.03,
  symptoms: { 'slow-crank': 1, 'no-crank-silent': 1, 'no-crank-single-click': 1 },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  shows: { 'low-flow': 1, 'no-flow': 1, 'slow-crank': 1, 'low-output': 0.5, 'no-output': 0.3 },
  excuses: [
    {
      excuse: 'starting-ground-not-measured',
      how: 'Slow cranking at few amps comes from any resistance in the loop: only the drop says where.',
    },
  ],
  where: 'drop-starter-ground',
};

export const cableStarterGroundEffect: FaultEffect = (vehicle, severity, random, spread) =>
  badPiece(random.chance(0.5) ? 'engine-strap' : 'starter-joint')(vehicle, severity, random, spread);
