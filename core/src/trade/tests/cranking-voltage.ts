import { aboveResting } from '../../evidence/ask-back';
import type { Reading } from '../../format/reading-shape';
import { limitOf } from '../../evidence/limit-of';
import { latest, readingsOf, isNumeric } from '../../evidence/case-context';
import type { CaseContext, GradedCase } from '../../evidence/case-context';
import { belowCharge } from '../../evidence/void/below-charge';
import { notCompared } from '../../evidence/void/not-compared';
import { ofFigure } from '../../evidence/void/void-rule';
import { causes, fixed, weighed } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import { done } from '../../evidence/simulated-bench';
import { slip } from '../../evidence/slips';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../../circuit/points';
import { CRANKING_STEP, informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import { BEFORE_CRANKING } from '../ticks';
import type { TestGuide } from '../test-guide';

/** Seconds of cranking before the speed is steady; sooner is inrush. */
const STEADY_AFTER_S = 2;
/** What a second or third start in a row may lose against the first (12 V), V. */
const FADES_VOLTS = 0.5;

const phrases = {
  'inrush-as-cranking': () =>
    'A fast-peak minimum is the inrush, far deeper than steady cranking: enter it as inrush voltage, and read the cranking voltage after 3 s.',
  'not-steady-yet': (w: { seconds: number }, voice: Voice) =>
    `After ${voice.plain(w.seconds, 0)} s the starter is still coming up to speed: crank on and read after 3 to 4 s.`,
  'pulled-down': (w: { lost: number }, voice: Voice) => `cranking pulled the posts down by ${voice.volts(w.lost)}`,
  'nothing-cranked': (w: { value: number; resting: number }, voice: Voice) =>
    `${voice.volts(w.value)} is the resting voltage (${voice.volts(w.resting)}): nothing was cranked, so no limit speaks of it.`,
  fades: (w: { first: number; last: number; attempt: number }, voice: Voice) =>
    `${voice.volts(w.first)} at the first start, ${voice.volts(w.last)} at start ${voice.plain(w.attempt, 0)} in a row`,
};
const say = sayer(phrases);

/** What pulls the posts down, where no amps were read to tell the battery from the load. */
const PULLED_DOWN = causes(
  'battery-worn',
  'battery-dead-cell',
  ['battery-discharged', 0.7],
  ['starter-dragging', 0.7],
  ['engine-drag', 0.7],
  ['accessory-seized', 0.7],
);

/** A battery that starts the engine well once and fails at the second or third start in a row is done. */
function fading(gradedCase: GradedCase): readonly Finding[] {
  const starts = readingsOf(gradedCase, 'cranking-voltage')
    .filter(isNumeric)
    .filter(({ conditions }) => conditions?.attempt !== undefined)
    .sort((a, b) => a.conditions!.attempt! - b.conditions!.attempt!);
  const [first, last] = [starts[0], starts.at(-1)];
  if (!first || !last || last.conditions!.attempt! < 2 || first.value - last.value < FADES_VOLTS * gradedCase.scale)
    return [];
  const figures = { first: first.value, last: last.value, attempt: last.conditions!.attempt! };
  return [
    fixed('fades', causes('battery-worn', ['battery-dead-cell', 0.5]), { reading: last.id }, say('fades', figures)),
  ];
}

/** Under this sag (12 V) nothing was asked of the battery, V. */
const MIN_SAG_VOLTS = 0.3;
/** Under this share of the usual amps neither. */
const MIN_DRAW_SHARE = 0.5;

/** The least current that turns any engine pulls a battery down by more than this (12 V), V. */
const UNLOADED_SAG_VOLTS = 0.1;

/** The posts kept their resting volts: no starter drew anything from them. */
const isResting = ({ value }: Reading, context: CaseContext): boolean =>
  typeof value === 'number' &&
  context.resting !== null &&
  Math.abs(value - context.resting) < UNLOADED_SAG_VOLTS * context.scale &&
  (latest(context, 'starter-draw')?.value ?? 0) < context.draw.min * MIN_DRAW_SHARE;

/** A cranking voltage tells of the battery only where the starter asked for something. */
function isLoaded({ value }: Reading, gradedCase: GradedCase): boolean {
  if (typeof value !== 'number') return true;
  const amps = latest(gradedCase, 'starter-draw')?.value;
  if (amps !== undefined) return amps >= gradedCase.draw.min * MIN_DRAW_SHARE;
  return gradedCase.resting === null || gradedCase.resting - value >= MIN_SAG_VOLTS * gradedCase.scale;
}

export const crankingVoltage: Test = {
  ...POST_VOLTS,
  usual: 10.5,
  name: 'Cranking voltage',
  conditions: ['method', 'offsetVolts', 'seconds', 'attempt', 'isolated'],
  places: [
    {
      group: 'Starting',
      at: 1,
      how: 'Crank 8 s; read once the speed is steady, at the posts.',
      asks: { method: null, offsetVolts: null, seconds: null },
      askedWith: { offsetVolts: ['method', 'scan-tool'] },
      ticks: BEFORE_CRANKING,
      note: true,
      waits: ['crank'],
    },
  ],
  leads: atPosts('cranking'),
  step: {
    ...CRANKING_STEP,
    minutes: 2,
    place: 'posts-cranking',
    isOfOneCrank: true,
    informs: informs(0.4, 'battery-worn', 'starter-dragging', 'engine-drag', 'accessory-seized'),
    settles: 'Shows how far the starter pulls the battery down.',
  },
  askBack: aboveResting,
  required: [{ by: ['none', 'starting'] }],
  keeps: [{ as: 'cranking' }, { as: 'health', choice: 5, mustPass: true, when: isLoaded }],
  asked: () => ({ method: 'min-max', seconds: 10 }),
  // one battery of a pack cranked alone: it speaks of that battery, and the maker's figure is the pack's
  isPartial: ({ battery }) => battery !== undefined,
  isPartGraded: true,
  specified: ({ specified }, { battery }) => (battery === undefined ? specified?.crankingVolts : undefined),
  isUnlimited: isResting,
  noted: ({ value }, context) =>
    typeof value === 'number' && context.resting !== null
      ? say('nothing-cranked', { value, resting: context.resting })
      : null,
  voids: [
    notCompared,
    ({ conditions }) => (conditions?.method === 'fast-peak' ? say('inrush-as-cranking', {}) : null),
    ofFigure(({ conditions: { seconds = Infinity } = {} }) =>
      seconds < STEADY_AFTER_S ? say('not-steady-yet', { seconds }) : null,
    ),
    belowCharge,
  ],
  phrases,
  findings: ({ gradedCase, figures }) => {
    const reading = latest(gradedCase, 'cranking-voltage');
    const { resting } = gradedCase;
    const limit = reading && limitOf(gradedCase, reading);
    if (
      !reading ||
      !limit ||
      resting === null ||
      figures.crankingOhms !== null ||
      limit.min >= resting ||
      reading.value > resting
    )
      return fading(gradedCase);
    const lost = resting - reading.value;
    return [
      weighed('sag', lost / (resting - limit.min), {
        causes: PULLED_DOWN,
        source: { reading: reading.id },
        says: say('pulled-down', { lost }),
      }),
      ...fading(gradedCase),
    ];
  },
};

export const crankingVoltageModel: TestModel = {
  visitPlace: 50,
  reads: ({ cranking, volts }) => done(volts(Math.max(0.5, cranking.postVolts)), { method: 'min-max', seconds: 8 }),
  slips: [
    // the dip of a fast peak, or a reading before the speed is steady
    /* @__PURE__ */ slip(
      (value, _scale, random) => value * random.between(0.72, 0.85),
      () => ({ method: 'fast-peak', seconds: 8 }),
    ),
    /* @__PURE__ */ slip(
      (value, _scale, random) => value * random.between(0.75, 0.9),
      () => ({ method: 'watched', seconds: 1 }),
    ),
  ],
};

export const crankingVoltageGuide: TestGuide = {
  why: ['It is the one load test that every vehicle carries with it.'],
  spoils: [
    'A watched display misses the dip, and a fast peak shows the inrush instead: the method is part of the reading.',
    'The engine fires: stop the fuel, not only the spark.',
    'A battery under three quarters charged.',
    'Leads on the clamps: the contact is then part of the reading.',
  ],
  means: [
    'At or over the floor for the battery’s temperature: battery and starter get along.',
    'Low: a weak battery, or a starter that asks too much. The amps tell which.',
    'A crank that passes raises at most a suspicion against the battery.',
  ],
};
