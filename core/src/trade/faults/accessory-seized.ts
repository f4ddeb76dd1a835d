import { along } from '../../circuit/model/along';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const accessorySeized: Fault = {
  name: 'belt-driven accessory seized',
  repairs: 'belt-driven accessory',
  part: () => 'mechanical',
  customer: 'Something the belt drives is seized and holds the engine back.',
  prior: 0.02,
  symptoms: { 'slow-crank': 1, 'no-crank-single-click': 1, 'lamps-dim-on-crank': 1, 'belt-squeal': 0.3 },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  shows: { 'high-draw': 1, 'slow-crank': 1 },
  excuses: [
    {
      excuse: 'belt-not-off',
      how: 'An engine tight in its bearings asks for the same high current: only the belt off tells.',
    },
  ],
  // named by hand, it is the alternator's own
  seenAs: ({ observed }) => (observed.get('accessories-by-hand') === 'alternator' ? 'alternator' : null),
  where: 'belt-removed-crank',
};

export const accessorySeizedEffect: FaultEffect = (vehicle, severity) => {
  vehicle.accessorySeized = true;
  vehicle.loadAmps *= along([2.1, 3.4], severity);
};
