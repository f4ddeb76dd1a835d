import { along } from '../../circuit/model/along';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const engineDrag: Fault = {
  name: 'engine hard to turn',
  repairs: 'engine',
  part: () => 'mechanical',
  customer: 'The engine itself is hard to turn.',
  prior: 0.02,
  symptoms: { 'slow-crank': 1, 'no-crank-single-click': 1, 'lamps-dim-on-crank': 1 },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  shows: { 'high-draw': 1, 'slow-crank': 1 },
  excuses: [
    { excuse: 'not-turned-by-hand', how: 'A dragging starter asks for the same high current.' },
    { excuse: 'accessory-holds-it', how: 'A seized accessory makes the engine hard to turn.' },
    {
      excuse: 'starter-not-loosened',
      how: 'A drive jammed in the ring gear locks a sound engine: only loosening the starter tells them apart.',
    },
  ],
  where: 'crank-by-hand',
};

export const engineDragEffect: FaultEffect = (vehicle, severity) => {
  vehicle.loadAmps *= along([2.1, 3.4], severity);
  vehicle.locked = severity > 0.9;
};
