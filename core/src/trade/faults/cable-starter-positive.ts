import { badPiece } from '../../circuit/model/bad-piece';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const cableStarterPositive: Fault = {
  name: 'bad positive cable to the starter',
  repairs: 'positive cable to the starter',
  part: () => 'connections',
  customer: 'The cable from the battery to the starter loses too much. Battery and starter are not the cause.',
  prior: 0.03,
  symptoms: { 'slow-crank': 1, 'no-crank-silent': 1, 'no-crank-single-click': 1 },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  shows: { 'low-flow': 1, 'no-flow': 1, 'slow-crank': 1 },
  excuses: [
    {
      excuse: 'positive-cable-not-measured',
      how: 'Slow cranking at few amps comes from any resistance in the loop: only the drop says where.',
    },
  ],
  where: 'drop-starter-positive',
};

export const cableStarterPositiveEffect: FaultEffect = /* @__PURE__ */ badPiece('positive-cable');
