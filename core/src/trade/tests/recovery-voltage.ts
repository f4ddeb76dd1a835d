import { latest } from '../../evidence/case-context';
import { causes, fixed } from '../../evidence/finding';
import { done } from '../../evidence/simulated-bench';
import { emf } from '../../circuit/model/cranking-circuit';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../../circuit/points';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** A second after cranking a battery is back within this of its resting voltage (12 V), V. */
const BOUNCE_VOLTS = 0.7;
const AFTER_SECONDS = 1;
const WORN_HEALTH = 0.7;

const phrases = {
  'still-down': (w: { short: number }, voice: Voice) => `still ${voice.volts(w.short)} down after cranking`,
  'bounced-back': () => 'bounced back after cranking',
};
const say = sayer(phrases);

export const recoveryVoltage: Test = {
  ...POST_VOLTS,
  name: 'Recovery voltage',
  conditions: ['secondsAfter'],
  places: [
    {
      group: 'Starting',
      at: 6,
      how: 'Does it bounce back at once when cranking stops?',
      asks: { secondsAfter: null },
      ticks: [],
    },
  ],
  leads: atPosts('none'),
  step: {
    minutes: 0.5,
    place: 'posts-cranking',
    engine: 'cranking',
    informs: [],
    settles: 'A battery that recovers slowly is weak or empty.',
    cautions: ['cranking'],
  },
  required: [],
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'recovery-voltage');
    const { resting, scale } = gradedCase;
    if (!reading || resting === null || (reading.conditions?.secondsAfter ?? 5) < AFTER_SECONDS) return [];
    const short = resting - reading.value;
    const isDown = short > BOUNCE_VOLTS * scale;
    return [
      fixed(
        isDown ? 'no-bounce' : 'bounces-back',
        causes('battery-worn', 'battery-dead-cell', ['battery-discharged', 0.5]),
        { reading: reading.id },
        isDown ? say('still-down', { short }) : say('bounced-back', {}),
      ),
    ];
  },
};

export const recoveryVoltageModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, volts }) =>
    done(volts(emf(vehicle) - 0.12 * vehicle.scale * (vehicle.health < WORN_HEALTH ? 3 : 1)), { secondsAfter: 5 }),
};

export const recoveryVoltageGuide: TestGuide = {
  why: ['A sound battery bounces back the moment the starter lets go.'],
  spoils: ['The engine fired: the alternator then holds the volts up.'],
  means: ['Slow to come back: tired or low. It supports other readings and decides nothing alone.'],
};
