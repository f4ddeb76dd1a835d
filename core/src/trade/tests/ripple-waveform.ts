import { caresFrom, limitOf } from '../../evidence/limit-of';
import { latest } from '../../evidence/case-context';
import { causes, fixed, weighed } from '../../evidence/finding';
import { cannot, done } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { alternatorGives } from '../alternator-gives';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../../circuit/points';
import { LOADED_STEP, informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** Noise of the reading, V. */
const FLOOR_VOLTS = 0.01;
const SOME_OUTPUT_AMPS = 2;
const NO_RIPPLE_VOLTS = 0.008;
/** Peak to peak over RMS of rectified humps. */
const PEAK_TO_PEAK = 2.6;

const phrases = {
  'peak-to-peak': (w: { value: number }, voice: Voice) => `${voice.smallVolts(w.value)} peak to peak`,
  'humps-missing': (w: { missing: number }, voice: Voice) => `${voice.plain(w.missing, 0)} of six humps missing`,
};
const say = sayer(phrases);

export const rippleWaveform: Test = {
  ...POST_VOLTS,
  domain: [0, 30],
  usual: 0.15,
  name: 'Ripple waveform',
  isSmallVolts: true,
  direct: ['alternator-diode'],
  conditions: ['humpsMissing', 'at'],
  places: [
    {
      group: 'Charging',
      at: 11,
      how: 'AC coupled, tens of millivolts a division: even humps?',
      asks: { humpsMissing: null, at: 'battery' },
      ticks: ['speed-held'],
    },
  ],
  leads: atPosts('charging'),
  step: {
    ...LOADED_STEP,
    minutes: 3,
    place: 'running',
    informs: informs(0.7, 'alternator-diode'),
    settles: 'One missing hump of six is a bad diode.',
    when: alternatorGives,
  },
  required: [{ by: ['none', 'charging'], as: 'ripple', choice: 2 }, { by: ['ripple'] }],
  keeps: [{ as: 'ripple', choice: 2 }],
  tellsOf: 'alternator',
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'ripple-waveform');
    if (!reading) return [];
    const own = causes('alternator-diode');
    const source = { reading: reading.id };
    const missing = reading.conditions?.humpsMissing;
    if (missing !== undefined)
      return [fixed(missing >= 1 ? 'humps-missing' : 'humps-even', own, source, say('humps-missing', { missing }))];
    const limit = limitOf(gradedCase, reading);
    if (!limit) return [];
    const ln = Math.log((reading.value + FLOOR_VOLTS * gradedCase.scale) / caresFrom(limit));
    return [
      weighed('ripple-waveform', ln, { causes: own, source, says: say('peak-to-peak', { value: reading.value }) }),
    ];
  },
};

export const rippleWaveformModel: TestModel = {
  visitPlace: 230,
  reads: ({ vehicle, starts, running, millivolts }) => {
    if (!starts) return cannot('did-not-start');
    const gives = running('on', 2000).outputAmps > SOME_OUTPUT_AMPS;
    return done(millivolts((gives ? vehicle.rippleVolts : NO_RIPPLE_VOLTS) * PEAK_TO_PEAK), {
      humpsMissing: gives ? vehicle.humpsMissing : 0,
      at: 'battery',
    });
  },
};

export const rippleWaveformGuide: TestGuide = {
  why: ['The shape tells an open diode from a noisy battery path, also where the AC figure passes.'],
  spoils: ['A 14 V scale hides it: couple AC and zoom in.', 'Humps that nobody counted are not even humps.'],
  means: ['Even humps: all diodes work. One missing or deep in every six: an open or shorted diode.'],
};
