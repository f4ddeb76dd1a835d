import type { TestName } from '../../format/names';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { scaledZone } from './rule';
import type { Rule } from './rule';

/** At most this many volts (12 V) across a path at the usual current of what loads it. */
export interface Drop {
  readonly max: number;
}

/** Under this share of the usual current no current flows to speak of. */
const NO_CURRENT_SHARE = 0.15;
/** A current this near to the usual one is the usual one. */
const USUAL_WITHIN = 0.02;
/** Nothing is projected to or from less than this, A. */
const MIN_AMPS = 0.1;

const phrases = {
  drop: ({ test, max }: { test: TestName; max: number }, voice: Voice) => `at most ${voice.value(test, max)}`,
  'drop-at': (w: { test: TestName; max: number; amps: number; allowed: number; usualAmps: number }, voice: Voice) =>
    `at most ${voice.value(w.test, w.allowed)} at ${voice.amps(w.amps)} (${voice.value(w.test, w.max)} at the usual ${voice.amps(w.usualAmps)})`,
};
const say = sayer(phrases);

export const drop: Rule<Drop> = {
  fields: {
    max: { name: 'At most, at the usual current', unit: 'V', min: 0.01, max: 3 },
  },
  zone: scaledZone,
  phrases,
  resolve({ max: perTwelve }, read, { test, scale, path }) {
    if (!path) return null;
    const { amps, usualAmps, isOpen } = path;
    const max = perTwelve * scale;
    const value = Math.abs(read);
    const isPlain = amps === undefined || usualAmps === null || usualAmps < MIN_AMPS || isOpen;
    // a path that loses so much is bad at any current: the limit does not grow with it
    if (isPlain || amps > usualAmps * (1 - USUAL_WITHIN))
      return { value, max, drawn: { min: 0, max }, bound: say('drop', { test, max }) };
    // next to no current: near zero says only that nothing is open here
    if (amps < Math.max(usualAmps * NO_CURRENT_SHARE, MIN_AMPS)) return null;
    const factor = usualAmps / amps;
    const allowed = max / factor;
    return {
      value: value * factor,
      max,
      perUnit: factor,
      drawn: { min: 0, max: allowed },
      bound: say('drop-at', { test, max, amps, allowed, usualAmps }),
    };
  },
};
