import { isFlowless } from '../../evidence/flow';
import { isHeardToClose, hasControlVolts } from '../../evidence/told-to-crank';
import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';

export const starterTap: ObservationKind = {
  name: 'Tap the starter',
  asks: 'Tap the starter’s case with the key at start',
  findings: ['turned', 'unchanged'],
  place: {
    group: 'Starting',
    at: 7.6,
    how: 'Key at start, a light tap on the case, hands and leads clear of belts: does it turn once?',
  },
  step: {
    minutes: 2,
    place: 'starter',
    engine: 'cranking',
    informs: informs(0.4, 'starter-worn'),
    settles: 'A starter that turns after a tap has worn brushes.',
    cautions: ['cranking'],
    // only where nothing flows although the solenoid is told to close
    when: (gradedCase) => isFlowless(gradedCase) && (hasControlVolts(gradedCase) || isHeardToClose(gradedCase)),
  },
  required: [],
  isLooking: false,
  speaks: {
    turned: [{ of: ['starter-worn', ['solenoid-contacts', 0.4]], weight: 'tap-turned' }],
    unchanged: [{ of: ['starter-worn'], weight: 'tap-unchanged' }],
  },
};

export const starterTapModel: ObservationModel = {
  inFullVisit: false,
  shows: ({ vehicle, cranking, random }) =>
    vehicle.isMotorOpen && cranking.rpm === 0 && random.chance(0.5) ? 'turned' : 'unchanged',
  isUnmistakable: true,
};
