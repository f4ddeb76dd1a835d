import { asksForMore } from '../../circuit/model/vehicle';
import type { Vehicle } from '../../circuit/model/vehicle';
import { latest, observed } from '../../evidence/case-context';
import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';

export const starterBenchRun: ObservationKind = {
  name: 'Starter on the bench',
  asks: 'Run the starter free on the bench',
  findings: ['strong', 'weak', 'dead'],
  place: {
    group: 'Starting',
    at: 10.7,
    how: 'Starter off and held in a vise, jumper leads on: does it run free and strong, weakly, or not at all?',
  },
  step: {
    minutes: 30,
    place: 'engine',
    informs: informs(0.8, 'starter-dragging', 'starter-worn'),
    settles: 'Runs the starter without the engine: strong, weak, or dead.',
    // off already, or the amps accuse it and nothing else is left
    when: (gradedCase) =>
      observed(gradedCase, 'starter-loosened') !== undefined ||
      ((latest(gradedCase, 'starter-draw')?.value ?? 0) > gradedCase.draw.max &&
        observed(gradedCase, 'belt-removed-crank') === 'unchanged'),
    cautions: ['by-hand'],
  },
  required: [],
  isLooking: false,
  speaks: {
    strong: [{ of: ['starter-dragging', 'starter-worn', 'solenoid-contacts'], weight: 'bench-run-strong' }],
    weak: [{ of: ['starter-dragging', 'starter-worn'], weight: 'bench-run-weak' }],
    dead: [{ of: ['starter-worn', ['solenoid-contacts', 0.3]], weight: 'bench-run-dead' }],
  },
};

/** A sound motor loses less than this share of what it turns into speed, at the usual current. */
const LOSES_AT_MOST = 0.8;
const isWorn = ({ usualAmps, motorOhm, voltsPerRpm, usualRpm }: Vehicle): boolean =>
  usualAmps * motorOhm > LOSES_AT_MOST * voltsPerRpm * usualRpm;

export const starterBenchRunModel: ObservationModel = {
  inFullVisit: false,
  endsVisitOf: asksForMore,
  // free on the bench, only the starter itself counts: no engine, no path, no battery of the vehicle
  shows: ({ vehicle }) => (vehicle.isMotorOpen ? 'dead' : vehicle.dragAmps > 0 || isWorn(vehicle) ? 'weak' : 'strong'),
  isUnmistakable: true,
};
