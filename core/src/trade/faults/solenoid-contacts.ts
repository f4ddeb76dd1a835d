import { badPiece } from '../../circuit/model/bad-piece';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const solenoidContacts: Fault = {
  name: 'burnt solenoid contacts',
  repairs: 'solenoid contacts',
  part: () => 'starter',
  customer: 'The switch contacts inside the starter are burnt.',
  prior: 0.03,
  symptoms: { 'slow-crank': 1, 'no-crank-silent': 1, 'no-crank-single-click': 1 },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  shows: { 'low-flow': 1, 'no-flow': 1, 'slow-crank': 1 },
  excuses: [
    {
      excuse: 'contacts-not-measured',
      how: 'The loss may sit in the cable before them: only the drop across the contacts tells.',
    },
    {
      excuse: 'not-told-to-crank',
      how: 'With little voltage at its control terminal the solenoid closes badly or not at all.',
    },
    {
      excuse: 'positive-side-not-tried',
      how: 'Probes on the wrong studs read the motor’s own volts; the whole positive side must lose at least as much.',
    },
  ],
  where: 'drop-solenoid',
};

export const solenoidContactsEffect: FaultEffect = /* @__PURE__ */ badPiece('solenoid');
