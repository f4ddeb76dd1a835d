import { along } from '../../circuit/model/along';
import { STARTER_EXCUSED } from '../excuses/shared';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const starterDragging: Fault = {
  name: 'starter dragging',
  repairs: 'starter',
  part: () => 'starter',
  customer: 'The starter turns hard and takes far more current than it should.',
  prior: 0.03,
  symptoms: { 'slow-crank': 1, 'no-crank-single-click': 1, 'lamps-dim-on-crank': 1 },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  shows: { 'high-draw': 1, 'slow-crank': 1 },
  excuses: [
    ...STARTER_EXCUSED,
    { excuse: 'accessory-holds-it', how: 'A seized accessory asks for the same high current.' },
    {
      excuse: 'slightly-tight-engine',
      how: 'A hand on the crankshaft does not feel an engine that is slightly tight, and it asks for more amps all the same.',
    },
  ],
};

export const starterDraggingEffect: FaultEffect = (vehicle, severity) => {
  vehicle.dragAmps = vehicle.usualAmps * along([0.8, 1.8], severity);
  vehicle.voltsPerRpm *= 1.15;
};
