import { PATH_TESTS } from '../../circuit/paths';
import type { TestName } from '../../format/names';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { toPlainLimit } from '../usual-amps';
import { scaledZone } from './rule';
import type { Rule } from './rule';

/** At most this many volts (12 V) across a path at the usual current of what loads it. */
export interface Drop {
  readonly max: number;
}

/** Under this share of the usual current no current flows to speak of. */
const NO_CURRENT_SHARE = 0.15;
/** Nothing is projected to or from less than this, A. */
const MIN_AMPS = 0.1;

const phrases = {
  'explained-by-current': (
    w: { test: TestName; value: number; amps: number; max: number; usualMax: number },
    voice: Voice,
  ) =>
    `${voice.value(w.test, w.value)} at ${voice.amps(w.amps)} is explained by the current: more flows than the usual ${voice.amps(w.usualMax)} at most, and a sound path then loses more than ${voice.value(w.test, w.max)} too.`,
  drop: ({ test, max }: { test: TestName; max: number }, voice: Voice) => `at most ${voice.value(test, max)}`,
  'drop-at': (w: { test: TestName; max: number; amps: number; allowed: number; usualAmps: number }, voice: Voice) =>
    `at most ${voice.value(w.test, w.allowed)} at ${voice.amps(w.amps)} (${voice.value(w.test, w.max)} at the usual ${voice.amps(w.usualAmps)})`,
};
const say = sayer(phrases);

export const drop: Rule<Drop> = {
  tests: PATH_TESTS,
  fields: {
    max: { name: 'At most, at the usual current', unit: 'V', min: 0.01, max: 3 },
  },
  zone: scaledZone,
  phrases,
  resolve({ max: perTwelve }, read, { test, scale, path }) {
    if (!path) return null;
    const { amps, usual, isOpen } = path;
    const max = perTwelve * scale;
    const value = Math.abs(read);
    const plain = { value, max, drawn: { min: 0, max }, bound: say('drop', { test, max }) };
    if (amps === undefined || usual === null || usual.min < MIN_AMPS || isOpen) return plain;
    // next to no current: near zero says only that nothing is open here
    if (amps < Math.max(usual.middle * NO_CURRENT_SHARE, MIN_AMPS)) return null;
    const factor = toPlainLimit(amps, usual);
    if (factor === 1) return plain;
    const allowed = max / factor;
    const drawn = { min: 0, max: allowed };
    if (amps < usual.min)
      return {
        value: value * factor,
        max,
        perUnit: factor,
        drawn,
        bound: say('drop-at', { test, max, amps, allowed, usualAmps: usual.min }),
      };
    const usualMax = usual.max;
    return {
      value,
      max: allowed,
      drawn,
      bound: say('drop-at', { test, max, amps, allowed, usualAmps: usual.middle }),
      near: { width: allowed - max, because: say('explained-by-current', { test, value, amps, max, usualMax }) },
    };
  },
};
