import { diodeFinding, isBlocking } from '../diodes';
import { done, round } from '../../evidence/simulated-bench';
import { POST_VOLTS } from '../measures';
import { across } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

export const diodeReverse: Test = {
  ...POST_VOLTS,
  domain: [0, 4],
  usual: 0.6,
  scales: false,
  kind: 'number-or-OL',
  name: 'Diode check, reverse',
  conditions: [],
  isOnce: true,
  direct: ['alternator-diode'],
  places: [
    {
      group: 'Charging',
      at: 13,
      how: 'Leads swapped. OL is good; a figure is a shorted diode.',
      asks: {},
      ticks: ['disconnected'],
    },
  ],
  leads: across('alternator-stud', 'alternator-case', 'none'),
  step: {
    minutes: 12,
    place: 'alternator',
    informs: informs(0.5, 'alternator-diode'),
    settles: 'A diode that conducts both ways is shorted.',
    cautions: ['disconnect', 'stud'],
  },
  required: [],
  tellsOf: 'alternator',
  findings: ({ gradedCase }) => diodeFinding(gradedCase, 'diode-reverse', isBlocking),
};

export const diodeReverseModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, random }) => done(vehicle.diodeShorted ? round(random.between(0, 0.3), 2) : 'OL'),
};

export const diodeReverseGuide: TestGuide = {
  why: ['A diode that conducts backward feeds the battery’s current through the alternator all night.'],
  spoils: ['The battery still connected.', 'Leads not swapped between the two readings.'],
  means: ['Blocks: good.', 'Conducts: a shorted diode, and a drain.'],
};
