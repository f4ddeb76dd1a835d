import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const starterJammed: Fault = {
  name: 'starter drive jammed in the ring gear',
  repairs: 'starter drive',
  part: () => 'starter',
  customer: 'The starter is stuck in the flywheel and holds the engine. The flywheel’s teeth must be looked at too.',
  prior: 0.012,
  symptoms: { 'no-crank-single-click': 1, 'lamps-dim-on-crank': 1, 'slow-crank': 0.1 },
  symptomsAgainst: { 'cranks-normally': 'symptom-cranks' },
  shows: { 'high-draw': 1, 'slow-crank': 1 },
  excuses: [
    { excuse: 'battery-not-proven', how: 'A weak battery gives the starter too little to break the engine loose.' },
    {
      excuse: 'starter-not-loosened',
      how: 'An engine that is locked by itself shows the same amps and the same hand: only loosening the starter tells them apart.',
    },
  ],
  where: 'starter-loosened',
};

export const starterJammedEffect: FaultEffect = (vehicle) => {
  vehicle.isJammed = true;
  vehicle.loadAmps *= 3.4;
};
