import { latest } from '../../evidence/case-context';
import { clampSaturated } from '../../evidence/void/clamp';
import { missesInrush } from '../../evidence/void/misses-inrush';
import { causes, fixed } from '../../evidence/finding';
import { faultsShowing } from '../faults-showing';
import { NO_FLOW_AMPS } from '../../evidence/flow';
import { done } from '../../evidence/simulated-bench';
import { inrushAmps } from '../../circuit/model/inrush';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { ampsBetween } from '../measures';
import { roundTheCables } from '../../circuit/points';
import { CRANKING_STEP } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import { BEFORE_CRANKING } from '../ticks';
import type { TestGuide } from '../test-guide';

const HIGH_DRAW = faultsShowing('high-draw');
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
      asks: { method: null },
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
    settles: 'Measures the current of the starter before it turns.',
  },
  required: [],
  voids: [missesInrush, clampSaturated],
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'inrush-current');
    if (!reading || reading.value < NO_FLOW_AMPS) return [];
    const source = { reading: reading.id };
    const inrush = reading.value;
    const draw = latest(gradedCase, 'starter-draw')?.value;
    const flowed = fixed('flow-not-control', causes('starter-control'), source, say('current-flowed', { inrush }));
    return draw !== undefined && draw > inrush * STALLED_SHARE && draw > gradedCase.draw.max
      ? [flowed, fixed('stalled-inrush', HIGH_DRAW, source, say('never-fell', { inrush, draw }))]
      : [flowed];
  },
};

export const inrushCurrentModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, amps }) => done(amps(inrushAmps(vehicle)), { method: 'scope' }),
};

export const inrushCurrentGuide: TestGuide = {
  why: ['The first half second shows how hard the starter breaks the engine loose.'],
  spoils: ['A slow meter: it misses the peak.', 'A clamp at its ceiling: flat current while the volts pulse.'],
  means: ['Two to five times the steady amps are usual. It passes or fails nothing by itself.'],
};
