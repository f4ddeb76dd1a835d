import { latest } from '../../judge/situation';
import { clampSaturated } from '../../judge/void/clamp';
import { missesInrush } from '../../judge/void/misses-inrush';
import { causes, fixed } from '../../judge/weigh/finding';
import { HIGH_DRAW } from '../../judge/weigh/groups';
import { NO_FLOW_AMPS } from '../../judge/weigh/flow';
import { done } from '../../simulation/bench';
import { inrushAmps } from '../../simulation/inrush';
import { sayer } from '../../words/phrases';
import type { Voice } from '../../words/phrases';
import { ampsBetween } from '../measures';
import { roundTheCables } from '../points';
import { CRANKING_STEP } from '../step';
import type { Test } from '../test';
import { BEFORE_CRANKING } from '../ticks';

/** Inrush is 2 to 5 times the steady amps; steady amps nearer to it than this say that nothing turns. */
const STALLED_SHARE = 0.85;

const phrases = {
  'never-fell': (w: { inrush: number; draw: number }, voice: Voice) =>
    `${voice.amps(w.inrush)} at first and still ${voice.amps(w.draw)}: nothing began to turn`,
  'current-flowed': (w: { inrush: number }, voice: Voice) =>
    `${voice.amps(w.inrush)} flowed at first: the control circuit works`,
};
const say = sayer(phrases);

export const inrushCurrent: Test = {
  ...ampsBetween(0, 5000, 550),
  name: 'Inrush current',
  conditions: ['method'],
  places: [
    {
      group: 'Starting',
      at: 5,
      how: 'The first peak, under half a second.',
      asks: { method: 'fast-peak' },
      ticks: [...BEFORE_CRANKING, 'clamp-zeroed'],
      waits: ['crank'],
    },
  ],
  leads: roundTheCables('cranking'),
  step: {
    ...CRANKING_STEP,
    minutes: 2,
    place: 'posts-cranking',
    informs: [],
    settles: 'Shows what a standing starter asks for.',
  },
  voids: [missesInrush, clampSaturated],
  phrases,
  findings: ({ situation }) => {
    const reading = latest(situation, 'inrush-current');
    if (!reading || reading.value < NO_FLOW_AMPS) return [];
    const source = { reading: reading.id };
    const inrush = reading.value;
    const draw = latest(situation, 'starter-draw')?.value;
    const flowed = fixed('flow-not-control', causes('starter-control'), source, say('current-flowed', { inrush }));
    return draw !== undefined && draw > inrush * STALLED_SHARE && draw > situation.draw.max
      ? [flowed, fixed('stalled-inrush', HIGH_DRAW, source, say('never-fell', { inrush, draw }))]
      : [flowed];
  },
  simulated: ({ vehicle, amps }) => done(amps(inrushAmps(vehicle)), { method: 'scope' }),
};
