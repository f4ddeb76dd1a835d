import { aboveResting } from '../../evidence/ask-back';
import { loadTestAmps } from '../../battery/rating';
import { MIN_LOAD_SHARE } from '../../criteria/rules/temperature-floor';
import { done } from '../../evidence/simulated-bench';
import { batteryVoltsAt, halfCcaAmps } from '../../circuit/model/cranking-circuit';
import { slip } from '../../evidence/slips';
import { belowCharge } from '../../evidence/void/below-charge';
import { ofFigure } from '../../evidence/void/void-rule';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** Fewer seconds pass nothing. */
const MIN_SECONDS = 8;
/** Seconds a load is held. */
const SECONDS = 15;

const phrases = {
  'load-too-small': (w: { amps: number; cca: number }, voice: Voice) =>
    `${voice.amps(w.amps)} is less than a tenth of ${voice.amps(w.cca)} CCA: the load was too small to pass anything.`,
  'load-too-short': (w: { seconds: number }, voice: Voice) =>
    `${voice.plain(w.seconds, 0)} s is too short: load for 15 s, read at the end.`,
};
const say = sayer(phrases);

export const loadTest: Test = {
  ...POST_VOLTS,
  usual: 10.2,
  name: 'Load test',
  conditions: ['amps', 'seconds', 'attempt', 'chargedBefore'],
  direct: ['battery-worn', 'battery-dead-cell'],
  places: [
    {
      group: 'Battery',
      at: 4,
      how: 'Half the CCA for 15 s, or any fixed load whose amps are told; read at the end, under load.',
      asks: { amps: null, seconds: SECONDS, chargedBefore: null },
      ticks: ['tester-tight'],
      waits: ['load'],
      perBattery: true,
    },
  ],
  leads: { ...atPosts('load'), clamp: 'tester-lead' },
  step: {
    minutes: 3,
    place: 'posts',
    informs: informs(0.85, 'battery-worn', 'battery-dead-cell'),
    settles: 'Shows whether the battery holds its voltage under load.',
    needsCharge: true,
    cautions: ['acid'],
  },
  askBack: aboveResting,
  required: [
    { by: ['starting', 'standing'], as: 'health', choice: 2 },
    { by: ['standing'], as: 'endurance', choice: 2 },
  ],
  keeps: [{ as: 'health', choice: 2, mustPass: true }],
  tellsOf: 'battery',
  asked: ({ cca, packCca, units }) => {
    const rated = units.length > 0 ? cca : packCca;
    return rated === null ? { seconds: SECONDS } : { amps: Math.round(loadTestAmps(rated)), seconds: SECONDS };
  },
  known: ({ cca, packCca }, battery) => {
    const rated = battery === undefined ? packCca : cca;
    return rated === null ? {} : { amps: Math.round(loadTestAmps(rated)) };
  },
  voids: [
    belowCharge,
    ofFigure((reading, context, compared) => {
      const { amps, seconds } = reading.conditions ?? {};
      const { packCca: cca } = context;
      // a battery that fails under a small load, or half the time, has failed
      if (cca === null || amps === undefined || compared()?.grade === 'outside') return null;
      if (amps < cca * MIN_LOAD_SHARE) return say('load-too-small', { amps, cca });
      return seconds !== undefined && seconds < MIN_SECONDS ? say('load-too-short', { seconds }) : null;
    }),
  ],
  phrases,
};

export const loadTestModel: TestModel = {
  visitPlace: 30,
  reads: ({ vehicle, wanted, random, volts, spread: { fixedLoads } }) => {
    const asked = typeof wanted['amps'] === 'number' ? wanted['amps'] : halfCcaAmps(vehicle);
    const amps = fixedLoads ? random.pick(fixedLoads) : asked;
    const value = batteryVoltsAt(vehicle, amps, random.factor(0.05));
    return done(volts(Math.max(0.5, value)), { amps, seconds: SECONDS, chargedBefore: vehicle.charge > 0.8 });
  },
  slips: [
    // a load too small, or too short
    /* @__PURE__ */ slip(
      (value, scale) => value + 0.8 * scale,
      (_value, _random, measured) => ({ ...measured.conditions, amps: 20 }),
    ),
  ],
};

export const loadTestGuide: TestGuide = {
  why: ['Half the rating for a quarter of a minute asks what a cold start asks.'],
  spoils: [
    'Under a tenth of the CCA, or under 8 s, it passes nothing.',
    'Amps that were not told: the floor depends on them.',
    'A battery under three quarters charged.',
    'Loose tester clamps: smoke, heat, or volts that jump. Do it again.',
    'A wrong label sets a wrong load.',
  ],
  means: [
    'At or over the floor for its temperature under load: good.',
    'A smaller load has a higher floor: 100 A on a 600 A battery must hold about 11.4 V.',
    'Under it: charge fully and repeat. Fails again: replace.',
    'Volts that collapse before the load is reached: a plain failure.',
  ],
};
