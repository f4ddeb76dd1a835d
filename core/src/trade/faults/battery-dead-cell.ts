import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const batteryDeadCell: Fault = {
  name: 'dead battery cell',
  repairs: 'battery',
  part: () => 'battery',
  customer: 'One cell of the battery has failed. Charging cannot bring it back.',
  prior: 0.03,
  symptoms: {
    'slow-crank': 1,
    'no-crank-single-click': 0.5,
    'no-crank-rapid-clicks': 1,
    'lamps-dim-on-crank': 1,
    'resets-on-crank': 1,
    'goes-flat': 1,
    'battery-smell': 1,
  },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  shows: { 'slow-crank': 1, 'low-output': 0.5 },
  excuses: [
    { excuse: 'flat-looks-dead', how: 'A battery drawn down to 10.5 V by a drain rests where five good cells do.' },
    {
      excuse: 'cell-not-shown',
      how: 'Resting volts show the sum of all cells; a single reading may be taken too soon after a load.',
    },
  ],
};

export const batteryDeadCellEffect: FaultEffect = (vehicle) => void (vehicle.deadCell = true);
