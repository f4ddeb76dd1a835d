import { along } from '../../circuit/model/along';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const batteryWorn: Fault = {
  name: 'battery worn',
  repairs: 'battery',
  part: () => 'battery',
  customer: 'The battery no longer holds what it should. Charged, it still cannot carry the starter.',
  prior: 0.08,
  symptoms: {
    'slow-crank': 1,
    'no-crank-rapid-clicks': 1,
    'lamps-dim-on-crank': 1,
    'resets-on-crank': 1,
    'goes-flat': 1,
  },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  shows: { 'slow-crank': 1 },
  excuses: [
    { excuse: 'battery-flat', how: 'A flat battery sags under load just as a worn one does.' },
    {
      excuse: 'health-not-measured',
      how: 'Low cranking volts come from a greedy starter as well; only a test of the battery itself tells.',
    },
    {
      excuse: 'label-not-confirmed',
      how: 'Conductance, resistance, load test and sag lean on the rating: where it is wrong, all fail together.',
    },
    {
      excuse: 'one-test-may-err',
      how: 'A tester clamped on paint or oxide, or too large a load, fails a sound battery once.',
    },
  ],
};

export const batteryWornEffect: FaultEffect = (vehicle, severity, _random, { wornHealth: [low, high] }) =>
  void (vehicle.health = along([high, low], severity));
