import { along } from '../../circuit/model/along';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const batteryDischarged: Fault = {
  name: 'battery discharged',
  repairs: 'battery',
  part: () => 'battery',
  customer: 'The battery is empty. It must be charged before anything can be said about it.',
  prior: 0.05,
  symptoms: {
    'slow-crank': 1,
    'no-crank-silent': 0.4,
    'no-crank-single-click': 0.5,
    'no-crank-rapid-clicks': 1,
    'lamps-dim-on-crank': 1,
    'resets-on-crank': 1,
    'goes-flat': 1,
  },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  shows: { 'slow-crank': 1, 'low-output': 0.5 },
  isNeverCalled: true,
  excuses: [],
};

export const batteryDischargedEffect: FaultEffect = (vehicle, severity) =>
  void (vehicle.charge = along([0.6, 0.05], severity));
