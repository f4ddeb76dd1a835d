import { FUSE_SPREAD, fuseAmps, fuseOhms } from '../../circuit/fuse-ohms';
import { latest } from '../../evidence/case-context';
import { isOutside } from '../../evidence/limit-of';
import { done } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { DROP_VOLTS } from '../measures';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** What is left where nothing drains: a meter shows no less, V. */
const SILENT_VOLTS = 0.0001;

const phrases = {
  'fuse-current': (w: { value: number; fuse: string; amps: number }, voice: Voice) =>
    `${w.fuse === '' ? 'This fuse' : w.fuse}: about ${voice.amps(w.amps)}, ± ${voice.share(FUSE_SPREAD)} by the usual resistance of such a fuse.`,
  'fuse-rating-missing': (w: { value: number }, voice: Voice) =>
    `${voice.smallVolts(w.value)} across the fuse: its rating is needed to tell the current.`,
};
const say = sayer(phrases);

export const fuseDrop: Test = {
  ...DROP_VOLTS,
  domain: [-1, 1],
  usual: 0.002,
  scales: false,
  isSmallVolts: true,
  name: 'Drop across a fuse',
  conditions: ['fuse', 'fuseRating', 'fuseType'],
  places: [
    {
      group: 'Drain',
      at: 2,
      how: 'Everything asleep. Millivolts across the two test points of each fuse in place; nothing is pulled, nothing wakes.',
      asks: { fuse: null, fuseRating: null, fuseType: null },
      ticks: ['doors-latched'],
    },
  ],
  leads: null,
  step: {
    minutes: 5,
    place: 'standing',
    engine: 'asleep',
    informs: [],
    settles: 'Shows which circuit takes the current: the fuse with the most.',
    // only where something drains is there anything to find
    when: (gradedCase) => {
      const draw = latest(gradedCase, 'parasitic-draw');
      return draw !== undefined && isOutside(gradedCase, draw);
    },
    cautions: [],
  },
  isSeveral: true,
  required: [],
  isUnlimited: () => true,
  noted: ({ value, conditions: { fuse = '', fuseRating, fuseType } = {} }) => {
    if (typeof value !== 'number') return null;
    if (fuseRating === undefined) return say('fuse-rating-missing', { value });
    return say('fuse-current', { value, fuse, amps: fuseAmps(value, fuseRating, fuseType) });
  },
  phrases,
};

export const fuseDropModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, random, volts }) =>
    done(Math.max(SILENT_VOLTS, volts(vehicle.drainAmps * fuseOhms(10) * random.factor(0.1), 4)), {
      fuse: 'F7',
      fuseRating: 10,
      fuseType: 'standard',
    }),
};

export const fuseDropGuide: TestGuide = {
  why: ['Every fuse is a small known resistor: its drop tells its current without being pulled, and nothing wakes.'],
  spoils: [
    'Modules that woke up while doors or locks were touched.',
    'A fuse type or rating that was read wrongly.',
    'A meter without tenths of a millivolt.',
  ],
  means: ['The fuse with the largest current leads to the circuit that drains.'],
};
