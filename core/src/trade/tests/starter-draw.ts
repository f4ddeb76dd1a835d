import { sagShare } from '../../battery/sag-share';
import { weightOf } from '../../criteria/weights';
import { latest } from '../../evidence/case-context';
import { ofFigure } from '../../evidence/void/void-rule';
import type { CaseContext, GradedCase, NumericReading } from '../../evidence/case-context';
import { causes, fixed, weighed } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import { faultsShowing } from '../faults-showing';
import { NO_FLOW_AMPS, SPINS_FREE_SHARE, STANDS_RPM } from '../../evidence/flow';
import { done, round } from '../../evidence/simulated-bench';
import { slip } from '../../evidence/slips';
import { sayer } from '../../format/message';
import type { Message, Voice } from '../../format/message';
import { ampsBetween } from '../measures';
import { roundTheCables } from '../../circuit/points';
import { CRANKING_STEP, informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import { BEFORE_CRANKING } from '../ticks';
import { isInrush, isPeak, peakNoted } from '../../evidence/peaks';
import { clampSaturated } from '../../evidence/void/clamp';
import type { TestGuide } from '../test-guide';

const HIGH_DRAW = faultsShowing('high-draw');
const LOW_FLOW = faultsShowing('low-flow');
const NO_FLOW = faultsShowing('no-flow');
/** A zero offset over this, or over this share of the reading, ruins it (docs/criteria.md, clamps). */
const OFFSET_AMPS = 5;
const OFFSET_SHARE = 0.08;
/** Lowest resistance of any battery over the load-test limit: a sound one lies at about 0.8. */
const HEALTHIEST = 0.35;
const WORST = 6;
/** A tenth or ten times is meant only where the reading is this far from the usual draw. */
const TENTH_OF_USUAL = 0.3;
const MANY_TIMES_USUAL = 4;
/** Sag of the half-CCA load test that its limit allows (12 V), V. */
const HALF_CCA_SAG_VOLTS = 3;
const TELLING_SAG_VOLTS = 0.8;
/** Under this no scale makes a starter's current of it, A. */
const LOST_CLAMP_AMPS = 5;

const phrases = {
  'clamp-offset': (w: { offset: number }, voice: Voice) =>
    `The clamp stood ${voice.amps(w.offset)} off zero: zero it in place and read again.`,
  'clamp-scale-tenth': (w: { value: number; lost: number; meant: number }, voice: Voice) =>
    `${voice.amps(w.value)} cannot pull the battery down by ${voice.volts(w.lost)}: check the clamp’s scale, ten times is ${voice.amps(w.meant)}.`,
  'clamp-misses-current': (w: { value: number; lost: number }, voice: Voice) =>
    `${voice.amps(w.value)} cannot pull the battery down by ${voice.volts(w.lost)}: is the clamp closed around all conductors of that post?`,
  'clamp-scale-times-ten': (w: { value: number; lost: number; meant: number }, voice: Voice) =>
    `${voice.amps(w.value)} would pull the battery down much further than ${voice.volts(w.lost)}: check the clamp’s scale, a tenth is ${voice.amps(w.meant)}.`,
  'no-current': (w: { value: number }, voice: Voice) => `no current flows (${voice.amps(w.value)})`,
  'draw-beside-usual': (w: { value: number; usual: number }, voice: Voice) =>
    `${voice.amps(w.value)}, usual is about ${voice.amps(w.usual)}`,
  'draws-and-stands': (w: { value: number }, voice: Voice) =>
    `draws ${voice.amps(w.value)} but the engine does not turn`,
  'control-works': (w: { value: number }, voice: Voice) =>
    `current flows (${voice.amps(w.value)}): the control circuit works`,
};
const say = sayer(phrases);

/** Volts and amps that no battery of this rating can show together: a clamp on the wrong scale, or not round the cable. */
function clampDisagrees({ value }: NumericReading, context: CaseContext): Message | null {
  const cranking = latest(context, 'cranking-voltage');
  const { resting, packCca, draw, scale } = context;
  if (!cranking || resting === null) return null;
  const lost = resting - cranking.value;
  // next to nothing pulls no battery down
  if (value < LOST_CLAMP_AMPS)
    return lost > TELLING_SAG_VOLTS * scale ? say('clamp-misses-current', { value, lost }) : null;
  /** Resistance over the limit that these amps and volts give together; a sound battery's is about 0.8. */
  const overLimit = (amps: number): number | null =>
    packCca === null ? null : lost / (HALF_CCA_SAG_VOLTS * scale * sagShare(amps / packCca));
  const told = overLimit(value);
  if (value < draw.min * TENTH_OF_USUAL && lost > TELLING_SAG_VOLTS * scale && told !== null && told > WORST / 2) {
    const tenfold = overLimit(value * 10)!;
    if (tenfold > HEALTHIEST && tenfold < WORST) return say('clamp-scale-tenth', { value, lost, meant: value * 10 });
  }
  const isFar = value > draw.max * MANY_TIMES_USUAL && lost < TELLING_SAG_VOLTS * scale * 3;
  return isFar ? say('clamp-scale-times-ten', { value, lost, meant: value / 10 }) : null;
}

export const starterDraw: Test = {
  ...ampsBetween(0, 3000, 150),
  name: 'Starter draw',
  conditions: ['method', 'clampCeilingAmps', 'zeroOffsetAmps'],
  isPartial: isPeak,
  countsAs: (reading) => (isInrush(reading) ? 'inrush-current' : null),
  noted: peakNoted,
  places: [
    {
      group: 'Starting',
      at: 2,
      how: 'The steady amps, after the first 3 s.',
      asks: { clampCeilingAmps: null, zeroOffsetAmps: null },
      ticks: [...BEFORE_CRANKING, 'clamp-zeroed', 'all-conductors'],
      waits: ['crank'],
    },
  ],
  leads: roundTheCables('cranking'),
  step: {
    ...CRANKING_STEP,
    minutes: 1.5,
    place: 'posts-cranking',
    isOfOneCrank: true,
    informs: informs(
      0.5,
      'starter-dragging',
      'engine-drag',
      'accessory-seized',
      'starter-worn',
      'cable-starter-positive',
      'cable-starter-ground',
      'solenoid-contacts',
      'starter-control',
      'starter-drive',
    ),
    settles: 'Tells a weak battery from a starter that draws too much.',
  },
  required: [{ by: ['none', 'starting'] }],
  keeps: [{ as: 'demand', mustPass: true }],
  tellsOf: 'starter',
  voids: [
    clampSaturated,
    ofFigure(({ value, conditions }) => {
      const offset = Math.abs(conditions?.zeroOffsetAmps ?? 0);
      return offset > Math.max(OFFSET_AMPS, value * OFFSET_SHARE) ? say('clamp-offset', { offset }) : null;
    }),
    ofFigure(clampDisagrees),
  ],
  settledBy: { 'clamp-offset': 'clamp-zero' },
  phrases,
  findings: ({ gradedCase, figures: { drawRatio } }) => {
    const reading = latest(gradedCase, 'starter-draw');
    if (!reading) return [];
    const source = { reading: reading.id };
    const { value } = reading;
    if (value < NO_FLOW_AMPS)
      return [
        fixed('no-flow', NO_FLOW, source, say('no-current', { value })),
        fixed('no-flow-not-drag', HIGH_DRAW, source, say('no-current', { value })),
      ];
    const flows = fixed('flow-not-control', causes('starter-control'), source, say('control-works', { value }));
    return drawRatio === null ? [flows] : [...besideUsual(reading, drawRatio, gradedCase), flows];
  },
};

/** What the amps say beside the usual ones. */
function besideUsual(reading: NumericReading, drawRatio: number, gradedCase: GradedCase): readonly Finding[] {
  const source = { reading: reading.id };
  const { value } = reading;
  const ln = Math.log(Math.max(drawRatio, 0.02));
  const range = gradedCase.draw.source === 'specified' ? 'specified' : 'typical';
  const speed = latest(gradedCase, 'cranking-speed');
  const spinsFree = speed !== undefined && speed.value < STANDS_RPM && drawRatio < SPINS_FREE_SHARE;
  const says = say('draw-beside-usual', { value, usual: value / drawRatio });
  return [
    weighed(`draw-high-${range}`, ln, { causes: HIGH_DRAW, source, says }),
    spinsFree
      ? fixed('spins-free', causes('starter-drive'), source, say('draws-and-stands', { value }))
      : weighed(`draw-low-${range}`, ln, { causes: LOW_FLOW, atLeast: weightOf('absent'), source, says }),
  ];
}

export const starterDrawModel: TestModel = {
  visitPlace: 60,
  reads: ({ cranking, amps, random }) => done(amps(cranking.amps), { zeroOffsetAmps: round(random.normal(0, 0.8), 1) }),
  slips: [
    // wrong clamp scale, a clamp at its ceiling, a clamp that was not zeroed
    /* @__PURE__ */ slip((value) => value / 10, undefined, 0),
    /* @__PURE__ */ slip((value) => value * 10, undefined, 0),
    /* @__PURE__ */ slip(
      (value) => value * 0.6,
      (value) => ({ clampCeilingAmps: Math.round(value * 0.6) }),
      0,
    ),
    /* @__PURE__ */ slip(
      (value) => value + 30,
      (_value, random) => ({ zeroOffsetAmps: round(random.between(25, 35), 2) }),
      0,
    ),
  ],
};

export const starterDrawGuide: TestGuide = {
  why: ['Amps tell a starter that asks too much from one that gets too little.'],
  spoils: [
    'A saturated clamp: current that stays flat while the volts pulse.',
    'A wrong scale in millivolts per amp: a factor of ten.',
    'A zero offset, or not all conductors of the post in the jaws.',
    'The inrush: read after 3 to 4 s.',
  ],
  means: [
    'High: drag. Turn the engine by hand, then belt off, then plugs out, before the starter.',
    'Low: resistance in the path, or a worn starter.',
    'None: control, solenoid, an open path, or the starter itself open.',
  ],
};
