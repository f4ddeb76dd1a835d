import { latest } from '../../evidence/case-context';
import { causes, weighed } from '../../evidence/finding';
import { done } from '../../evidence/simulated-bench';
import { emf } from '../../circuit/model/cranking-circuit';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { across } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Reading } from '../../format/reading-shape';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** What the battery has where nobody read it (12 V), V. */
const USUAL_VOLTS = 12.5;

const phrases = {
  'excitation-volts': (w: { value: number }, voice: Voice) => `${voice.volts(w.value)} of excitation, key on`,
  'other-terminal': () =>
    'A lamp or enable terminal shows volts of its own: it neither accuses nor acquits. Read the supply or sense terminal.',
};
const say = sayer(phrases);

/** A lamp takes most of the volts, and an enable line has the volts of its module: neither is what a supply has. */
const isOtherTerminal = ({ conditions }: Reading): boolean =>
  conditions?.terminal === 'lamp' || conditions?.terminal === 'enable';

export const excitationVoltage: Test = {
  ...POST_VOLTS,
  usual: 12,
  name: 'Excitation voltage, key on',
  conditions: ['terminal'],
  places: [{ group: 'Charging', at: 7, how: 'At the sense or ignition terminal.', asks: {}, ticks: ['key-on'] }],
  leads: across('alternator-sense', 'negative-post', 'none'),
  step: {
    minutes: 2,
    place: 'alternator',
    informs: informs(0.8, 'charge-control'),
    settles: 'Shows whether the alternator is excited.',
    cautions: [],
  },
  required: [],
  isPartial: isOtherTerminal,
  noted: (reading) => (isOtherTerminal(reading) ? say('other-terminal', {}) : null),
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'excitation-voltage');
    if (!reading) return [];
    const share = reading.value / (gradedCase.resting ?? USUAL_VOLTS * gradedCase.scale);
    return [
      weighed('excitation', share, {
        causes: causes('charge-control'),
        source: { reading: reading.id },
        says: say('excitation-volts', { value: reading.value }),
      }),
    ];
  },
};

export const excitationVoltageModel: TestModel = {
  visitPlace: 210,
  reads: ({ vehicle, random, volts }) =>
    done(vehicle.excited ? volts(emf(vehicle) - 0.3 * vehicle.scale) : volts(random.between(0, 5) * vehicle.scale)),
};

export const excitationVoltageGuide: TestGuide = {
  why: ['An alternator that is not told to charge gives nothing, however good it is.'],
  spoils: [
    'The key off: supply and lamp are fed through it.',
    'A lamp terminal taken for a supply terminal: the lamp takes most of the volts there.',
  ],
  means: [
    'Battery voltage at a supply terminal, or a few volts at a lamp terminal: it is told to charge.',
    'Next to nothing: fuse, switch, lamp or wire.',
  ],
};
