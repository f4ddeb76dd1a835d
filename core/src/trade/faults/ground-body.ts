import { badPiece } from '../../circuit/model/bad-piece';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const groundBody: Fault = {
  name: 'bad ground between body and battery',
  repairs: 'ground between body and battery',
  part: () => 'connections',
  customer: 'The body’s ground connection loses too much: lamps and modules get less than the battery gives.',
  prior: 0.02,
  symptoms: { 'resets-on-crank': 0.5, 'dim-at-idle': 0.4, 'lamps-dim-on-crank': 0.4 },
  excuses: [
    {
      excuse: 'body-ground-not-measured',
      how: 'Dim lamps and resets come from a weak battery too: only the drop from the body tells.',
    },
  ],
  where: 'drop-body-ground',
};

export const groundBodyEffect: FaultEffect = /* @__PURE__ */ badPiece('body-strap');
