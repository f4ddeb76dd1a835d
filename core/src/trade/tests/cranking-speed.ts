import { fasterThanAnyStarter } from '../../evidence/ask-back';
import { weightOf } from '../../criteria/weights';
import { limitOf } from '../../evidence/limit-of';
import { latest } from '../../evidence/case-context';
import { belowCharge } from '../../evidence/void/below-charge';
import { causes, fixed, weighed } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import { faultsShowing } from '../faults-showing';
import type { DerivedCase } from '../../evidence/derived-case';
import { STANDS_RPM } from '../../evidence/flow';
import { done } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { coldDemand } from '../../criteria/expected-draw';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../../circuit/points';
import { CRANKING_STEP, informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { SymptomName } from '../symptoms';
import { BEFORE_CRANKING } from '../ticks';
import type { TestGuide } from '../test-guide';

const LOW_FLOW = faultsShowing('low-flow');
const SLOW = faultsShowing('slow-crank');
/** rpm that a sound starter makes of each 10 V it gets, and the volts that this is told for. */
const RPM_AT_10_V = { petrol: 205, diesel: 185 } as const;
const TOLD_FOR_VOLTS = 10;
/** Under this many volts (12 V) at the starter no speed can be expected of it. */
const MIN_MOTOR_VOLTS = 4;
/** From this share of the usual range's top a slow starter is dragged rather than worn. */
const MORE_THAN_USUAL = 0.95;
/** Volts lost on the way (12 V) from which the way itself may explain a slow starter. */
const STARVED_VOLTS = 1.2;
/** Share of the weight that counts while a side of the path was not measured, or the starter is dragged. */
const PATH_UNKNOWN = 0.6;
const DRAGGED = 0.4;

const phrases = {
  'speed-cranking': (w: { value: number }, voice: Voice) => `${voice.quantity(w.value, 'rpm')} cranking`,
  'speed-from-volts': (w: { value: number; volts: number }, voice: Voice) =>
    `${voice.quantity(w.value, 'rpm')} from ${voice.volts(w.volts)} at the starter`,
};
const say = sayer(phrases);

const WORN = causes('starter-worn');
const HELD_BACK = causes('starter-dragging', 'engine-drag', 'accessory-seized', ['starter-worn', 0.3]);
const NOT_TOLD = causes('starter-control', 'starter-drive');
const STANDS = [...SLOW, ...NOT_TOLD];

/**
 * Slow although it gets its volts and asks no more amps than usual: the starter itself is worn. What the
 * paths lose is taken off where it was read.
 */
function motor({ gradedCase, figures }: DerivedCase): readonly Finding[] {
  const speed = latest(gradedCase, 'cranking-speed')!;
  const posts = latest(gradedCase, 'cranking-voltage');
  if (!posts) return [];
  const { scale, fuel, draw } = gradedCase;
  const lost = [latest(gradedCase, 'drop-starter-positive'), latest(gradedCase, 'drop-starter-ground')];
  const gone = lost.reduce((sum, drop) => sum + Math.abs(drop?.value ?? 0), 0) / scale;
  const volts = posts.value / scale - gone;
  if (volts < MIN_MOTOR_VOLTS) return [];
  const warm = speed.value * Math.sqrt(coldDemand(gradedCase.celsius));
  const ln = Math.log(warm / RPM_AT_10_V[fuel] / (volts / TOLD_FOR_VOLTS));
  const asksMore = (figures.drawRatio ?? 1) * draw.reference > draw.max * MORE_THAN_USUAL;
  const factor = lost.every((drop) => drop !== undefined) ? 1 : PATH_UNKNOWN;
  const source = { reading: speed.id };
  const says = say('speed-from-volts', { value: speed.value, volts: volts * scale });
  const finding = weighed('motor', ln, { causes: WORN, factor, atLeast: weightOf('motor-at-least'), source, says });
  // a motor that works well clears itself and nobody else; one that does not may be dragged or starved
  if (finding.weight < 0) return [finding];
  if (asksMore) return [weighed('motor', ln, { causes: HELD_BACK, factor: factor * DRAGGED, source, says })];
  return [{ ...finding, causes: gone > STARVED_VOLTS ? LOW_FLOW : WORN }];
}

/** Complaints that the speed is the measure of; what clicks or is silent has none. */
const IN_DOUBT: readonly SymptomName[] = ['slow-crank', 'spins-without-cranking'];

export const crankingSpeed: Test = {
  ...POST_VOLTS,
  unit: 'rpm',
  domain: [0, 1000],
  usual: 200,
  scales: false,
  name: 'Cranking speed',
  conditions: [],
  places: [
    {
      group: 'Starting',
      at: 3,
      how: '120 × compression peaks per second / cylinders.',
      asks: {},
      ticks: BEFORE_CRANKING,
      waits: ['crank'],
    },
  ],
  leads: atPosts('cranking'),
  step: {
    ...CRANKING_STEP,
    needsTurning: true,
    minutes: 1.5,
    place: 'posts-cranking',
    isOfOneCrank: true,
    informs: informs(0.25, 'starter-worn', 'starter-drive', 'engine-drag', 'starter-control'),
    settles: 'Shows whether the engine cranks at normal speed.',
    when: ({ case: { complaint } }) => complaint?.symptoms?.some((symptom) => IN_DOUBT.includes(symptom)) === true,
  },
  askBack: fasterThanAnyStarter,
  required: [],
  keeps: [{ as: 'demand', choice: 2, mustPass: true }],
  tellsOf: 'starter',
  voids: [belowCharge],
  phrases,
  findings: (seen) => {
    const { gradedCase } = seen;
    const reading = latest(gradedCase, 'cranking-speed');
    if (!reading) return [];
    const source = { reading: reading.id };
    const says = say('speed-cranking', { value: reading.value });
    if (reading.value < STANDS_RPM) return [fixed('engine-stands', STANDS, source, says)];
    const slowest = limitOf(gradedCase, reading)?.min;
    const turns = fixed('engine-turns', NOT_TOLD, source, says);
    if (slowest === undefined || slowest <= 0) return [turns, ...motor(seen)];
    const ln = Math.log(reading.value / slowest);
    return [weighed('speed', ln, { causes: SLOW, atLeast: weightOf('absent'), source, says }), turns, ...motor(seen)];
  },
};

export const crankingSpeedModel: TestModel = {
  visitPlace: 70,
  reads: ({ cranking, random }) => done(Math.round(cranking.rpm * random.factor(0.04))),
};

export const crankingSpeedGuide: TestGuide = {
  why: ['Together with volts and amps it tells a weak battery, a dragging engine and a lossy path apart.'],
  spoils: [
    'The wrong number of cylinders in the sum.',
    'A count over the first half second, while the engine still speeds up.',
  ],
  means: [
    'Slow with low volts and low amps: battery. Slow with low volts and high amps: drag. Slow with good volts and low amps: resistance.',
    'Uneven compressions are the engine’s own fault, not this system’s.',
  ],
};
