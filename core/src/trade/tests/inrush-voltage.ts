import { isOutside } from '../../judge/grade/limit-of';
import { latest } from '../../judge/situation';
import { belowCharge } from '../../judge/void/below-charge';
import { missesInrush } from '../../judge/void/misses-inrush';
import { causes, fixed } from '../../judge/weigh/finding';
import { done } from '../../simulation/bench';
import { batteryVoltsAt } from '../../simulation/cranking-circuit';
import { inrushAmps } from '../../simulation/inrush';
import { sayer } from '../../words/phrases';
import type { Voice } from '../../words/phrases';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../points';
import { CRANKING_STEP } from '../step';
import type { Test } from '../test';
import { BEFORE_CRANKING } from '../ticks';

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
      asks: { method: 'fast-peak' },
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
    settles: 'Shows how deep the first dip goes.',
  },
  voids: [missesInrush, belowCharge],
  phrases,
  findings: ({ situation }) => {
    const reading = latest(situation, 'inrush-voltage');
    const grade = reading && situation.graded.get(reading.id)?.grade;
    if (!reading || grade === 'noted') return [];
    const says = say('first-dip', { value: reading.value });
    const source = { reading: reading.id };
    return isOutside(situation, reading)
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
  simulated: ({ vehicle, volts }) =>
    done(volts(Math.max(0.5, batteryVoltsAt(vehicle, inrushAmps(vehicle)))), { method: 'scope' }),
};
