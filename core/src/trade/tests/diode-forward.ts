import { readingsOf } from '../../evidence/case-context';
import { diodeFinding, isBlocking } from '../diodes';
import { done, round } from '../../evidence/simulated-bench';
import { POST_VOLTS } from '../measures';
import { across } from '../../circuit/points';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

export const diodeForward: Test = {
  ...POST_VOLTS,
  domain: [0, 4],
  usual: 0.6,
  scales: false,
  kind: 'number-or-OL',
  name: 'Diode check, forward',
  conditions: [],
  isOnce: true,
  direct: ['alternator-diode'],
  places: [
    {
      group: 'Charging',
      at: 12,
      how: 'Diode range, red on the case, black on the stud. Conducts: 0.2 to 1.3 V.',
      asks: {},
      ticks: ['disconnected'],
    },
  ],
  leads: across('alternator-case', 'alternator-stud', 'none'),
  step: {
    minutes: 12,
    place: 'alternator',
    informs: [],
    settles: 'A sound diode conducts in one direction only.',
    cautions: ['disconnect', 'stud'],
  },
  required: [],
  tellsOf: 'alternator',
  // a shorted diode conducts forwards too
  findings: ({ gradedCase }) =>
    readingsOf(gradedCase, 'diode-reverse').some(({ value }) => value !== null && !isBlocking(value))
      ? []
      : diodeFinding(gradedCase, 'diode-forward', (value) => typeof value === 'number' && value > 0.15 && value < 1.4),
};

export const diodeForwardModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, random }) => {
    const isOpen = vehicle.humpsMissing > 0 && !vehicle.diodeShorted && random.chance(0.3);
    return done(isOpen ? 'OL' : round(random.between(0.4, 0.9), 2));
  },
};

export const diodeForwardGuide: TestGuide = {
  why: ['A diode test at rest finds what ripple only hints at.'],
  spoils: ['The battery still connected: the meter then reads the vehicle.', 'A meter without a diode range.'],
  means: ['Conducts: as it should in this direction.', 'Nothing either way: open diodes or no contact.'],
};
