import { weightOf } from '../../criteria/weights';
import { caresFrom, limitOf } from '../../evidence/limit-of';
import { latest } from '../../evidence/case-context';
import { ofFigure } from '../../evidence/void/void-rule';
import { causes, weighed } from '../../evidence/finding';
import { cannot, done } from '../../evidence/simulated-bench';
import { slip } from '../../evidence/slips';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { alternatorGives } from '../alternator-gives';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../../circuit/points';
import { LOADED_STEP, informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** No alternator makes as much ripple as this (12 V): the meter lets the DC through, V. */
const PASSES_DC_VOLTS = 8;
/** Noise of the reading, V: keeps a reading of nothing from an endless logarithm. */
const FLOOR_VOLTS = 0.005;
/** Under this output there is nothing to ripple, A. */
const SOME_OUTPUT_AMPS = 2;
/** What a meter shows of no ripple, V. */
const NO_RIPPLE_VOLTS = 0.008;

const phrases = {
  'ripple-passes-dc': (w: { value: number }, voice: Voice) =>
    `${voice.smallVolts(w.value)} of ripple cannot be: this meter’s AC range lets the DC through. Use one that blocks it.`,
  'volts-of-ripple': (w: { value: number }, voice: Voice) => `${voice.smallVolts(w.value)} of ripple`,
};
const say = sayer(phrases);

export const rippleAc: Test = {
  ...POST_VOLTS,
  domain: [0, 15],
  usual: 0.05,
  name: 'Ripple',
  isSmallVolts: true,
  direct: ['alternator-diode'],
  conditions: ['rpm', 'loads', 'at'],
  places: [
    {
      group: 'Charging',
      at: 3,
      how: 'AC at the posts, some load.',
      asks: { rpm: 2000, loads: 'on', at: 'battery' },
      ticks: ['speed-held', 'blocks-dc'],
      note: true,
    },
  ],
  leads: atPosts('charging'),
  step: {
    ...LOADED_STEP,
    minutes: 1,
    place: 'running',
    informs: informs(0.8, 'alternator-diode'),
    settles: 'Shows a bad diode.',
    when: alternatorGives,
  },
  required: [{ by: ['none', 'charging'], as: 'ripple' }, { by: ['ripple'] }],
  keeps: [{ as: 'ripple' }],
  tellsOf: 'alternator',
  asked: () => ({ rpm: 2000, loads: 'on', at: 'battery' }),
  voids: [
    ofFigure(({ value }, { scale }) => (value > PASSES_DC_VOLTS * scale ? say('ripple-passes-dc', { value }) : null)),
  ],
  settledBy: { 'ripple-passes-dc': 'meter-ac' },
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'ripple-ac');
    const limit = reading && limitOf(gradedCase, reading);
    if (!reading || !limit) return [];
    const { value } = reading;
    const hasWaveform = latest(gradedCase, 'ripple-waveform') !== undefined;
    return [
      weighed('ripple', Math.log((value + FLOOR_VOLTS * gradedCase.scale) / caresFrom(limit)), {
        causes: causes('alternator-diode'),
        atLeast: weightOf(hasWaveform ? 'ripple-at-least-with-waveform' : 'ripple-at-least'),
        source: { reading: reading.id },
        says: say('volts-of-ripple', { value }),
      }),
    ];
  },
};

export const rippleAcModel: TestModel = {
  visitPlace: 220,
  reads: ({ vehicle, starts, running, random, millivolts }) => {
    if (!starts) return cannot('did-not-start');
    const gives = running('on', 2000).outputAmps > SOME_OUTPUT_AMPS;
    return done(millivolts(gives ? vehicle.rippleVolts * random.factor(0.12) : NO_RIPPLE_VOLTS), {
      rpm: 2000,
      loads: 'on',
      at: 'battery',
    });
  },
  // a meter whose AC range lets the DC through
  slips: [/* @__PURE__ */ slip((_value, scale) => 28 * scale)],
};

export const rippleAcGuide: TestGuide = {
  why: ['Alternating volts on the posts come from diodes that no longer share the work.'],
  spoils: [
    'An AC range that does not block DC: a plain battery then shows volts.',
    'Idle or no load: little ripple from any alternator.',
    'Read at the far end of a bad cable.',
  ],
  means: ['High: look at the waveform, then at the diodes at rest. A ripple alone replaces nothing.'],
};
