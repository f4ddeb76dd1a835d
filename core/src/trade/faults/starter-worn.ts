import { along } from '../../circuit/model/along';
import { STARTER_EXCUSED } from '../excuses/shared';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const starterWorn: Fault = {
  name: 'starter worn',
  repairs: 'starter',
  part: () => 'starter',
  customer: 'The starter is worn: it gets what it needs and does not turn the engine as it should.',
  prior: 0.04,
  symptoms: { 'slow-crank': 1, 'no-crank-silent': 1, 'no-crank-single-click': 1 },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  shows: { 'low-flow': 1, 'no-flow': 0.5, 'slow-crank': 1 },
  excuses: STARTER_EXCUSED,
};

/** From this severity on some starters are open inside. */
const OPEN_FROM = 0.8;
const OPEN_SHARE = 0.6;

export const starterWornEffect: FaultEffect = (vehicle, severity, random) => {
  vehicle.motorOhm *= along([2.4, 3.6], severity);
  vehicle.isMotorOpen = severity > OPEN_FROM && random.chance(OPEN_SHARE);
};
