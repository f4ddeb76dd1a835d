import { aboveResting } from '../../evidence/ask-back';
import { isOutside } from '../../evidence/limit-of';
import { latest } from '../../evidence/case-context';
import { belowCharge } from '../../evidence/void/below-charge';
import { missesInrush } from '../../evidence/void/misses-inrush';
import { causes, fixed } from '../../evidence/finding';
import { done } from '../../evidence/simulated-bench';
import { batteryVoltsAt } from '../../circuit/model/cranking-circuit';
import { inrushAmps } from '../../circuit/model/inrush';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../../circuit/points';
import { CRANKING_STEP } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import { BEFORE_CRANKING } from '../ticks';
import type { TestGuide } from '../test-guide';

const phrases = {
  'first-dip': (w: { value: number }, voice: Voice) => `the first dip went to ${voice.volts(w.value)}`,
};
const say = sayer(phrases);

export const inrushVoltage: Test = {
  ...POST_VOLTS,
  usual: 9,
  name: 'Inrush voltage',
  conditions: ['method'],
  places: [
    {
      group: 'Starting',
      at: 4,
      how: 'The first dip, under half a second.',
      asks: { method: null },
      ticks: BEFORE_CRANKING,
      waits: ['crank'],
    },
  ],
  leads: atPosts('cranking'),
  step: {
    ...CRANKING_STEP,
    minutes: 2,
    place: 'posts-cranking',
    informs: [],
    settles: 'Measures the first dip.',
  },
  askBack: aboveResting,
  required: [],
  voids: [missesInrush, belowCharge],
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'inrush-voltage');
    const grade = reading && gradedCase.grades.get(reading.id)?.grade;
    if (!reading || grade === 'noted') return [];
    const says = say('first-dip', { value: reading.value });
    const source = { reading: reading.id };
    return isOutside(gradedCase, reading)
      ? [
          fixed(
            'deep-inrush',
            causes(
              'battery-worn',
              'battery-dead-cell',
              ['starter-dragging', 0.4],
              ['engine-drag', 0.4],
              ['accessory-seized', 0.4],
            ),
            source,
            says,
          ),
        ]
      : [fixed('easy-inrush', causes('battery-worn', 'battery-dead-cell'), source, says)];
  },
};

export const inrushVoltageModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, volts }) =>
    done(volts(Math.max(0.5, batteryVoltsAt(vehicle, inrushAmps(vehicle)))), { method: 'scope' }),
};

export const inrushVoltageGuide: TestGuide = {
  why: ['It is the deepest dip of a start, under a millisecond long.'],
  spoils: ['Judging it by a limit made for a steady crank.', 'A display or slow min/max: it never sees the dip.'],
  means: ['Far lower than the steady figure on a good battery too; modules that reset mark the depth that matters.'],
};
