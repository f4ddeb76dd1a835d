import type { FaultEffect } from '../../circuit/model/fault-effect';
import { SIGNAL_PIECE_NAMES } from '../../circuit/start-signal';
import type { Fault } from '../fault';

export const starterControl: Fault = {
  name: 'starter control circuit open',
  repairs: 'starter control circuit',
  part: () => 'control',
  customer: 'The starter is not told to work: a relay, fuse or switch on the way to it is open.',
  prior: 0.03,
  symptoms: { 'no-crank-silent': 1 },
  symptomsAgainst: { 'no-crank-single-click': 'symptom-clicks', 'cranks-normally': 'symptom-cranks' },
  shows: { 'no-flow': 1 },
  excuses: [
    {
      excuse: 'control-not-measured',
      how: 'Silence comes from an open cable or burnt contacts too: only the control voltage tells.',
    },
  ],
  where: 'starter-control-voltage',
};

export const starterControlEffect: FaultEffect = (vehicle, severity, random) => {
  vehicle.controlVolts = random.between(0.1, 1 + 6 * (1 - severity)) * vehicle.scale;
  vehicle.openSignal = random.pick(SIGNAL_PIECE_NAMES);
};
