import { latest, latestUnder } from '../../evidence/case-context';
import { studVolts } from '../../evidence/stud-volts';
import { causes, fixed } from '../../evidence/finding';
import { done, round } from '../../evidence/simulated-bench';
import { emf } from '../../circuit/model/cranking-circuit';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { across } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

const phrases = {
  'stud-volts': (w: { value: number }, voice: Voice) => `${voice.volts(w.value)} at the stud, engine off`,
};
const say = sayer(phrases);

export const alternatorStudVoltage: Test = {
  ...POST_VOLTS,
  name: 'Alternator stud voltage, engine off',
  conditions: [],
  places: [
    {
      group: 'Charging',
      at: 6,
      how: 'Engine off: battery voltage, or the link is blown.',
      asks: {},
      ticks: ['insulated-probe'],
    },
  ],
  leads: across('alternator-stud', 'negative-post', 'none'),
  step: {
    minutes: 2,
    place: 'alternator',
    informs: informs(0.4, 'charge-cable-positive'),
    settles: 'Shows whether the fusible link is intact.',
    cautions: ['stud'],
  },
  required: [],
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'alternator-stud-voltage');
    const { resting } = gradedCase;
    const volts = studVolts(gradedCase);
    if (!reading || resting === null || volts === null) return [];
    // no charging at all comes through a path that is open, and this one is not; one that only loses volts lets some through
    const isNotCharged = (latestUnder(gradedCase, 'charging-voltage', 'off')?.value ?? Infinity) <= resting;
    const intact = isNotCharged ? 'stud-volts-none-charged' : 'stud-volts';
    return [
      fixed(
        volts === 'none' ? 'no-stud-volts' : volts === 'low' ? 'low-stud-volts' : intact,
        causes('charge-cable-positive'),
        { reading: reading.id },
        say('stud-volts', { value: reading.value }),
      ),
    ];
  },
};

export const alternatorStudVoltageModel: TestModel = {
  visitPlace: 200,
  reads: ({ vehicle, random, volts }) =>
    done(vehicle.linkBlown ? round(random.between(0, 0.3), 2) : volts(emf(vehicle))),
};

export const alternatorStudVoltageGuide: TestGuide = {
  why: ['With the engine off the stud hangs on the battery through the output cable and its link.'],
  spoils: [
    'The wrong terminal: the stud is the thick one.',
    'A blown link somewhere else on a branch that was not measured.',
  ],
  means: [
    'Battery voltage: cable and link are whole.',
    'Zero: a blown link or an open cable. The alternator is not to blame yet.',
  ],
};
