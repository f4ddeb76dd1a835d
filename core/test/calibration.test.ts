/** What the judge says is true about as often as it says, on vehicles of the circuit model that it was not fitted to. */
import { describe, expect, it } from '@jest/globals';
import { FAULT_NAMES, TESTING_SPREAD, judge, simulateCase } from '@tetrad/core';

const SEED = 71_000_000;
const PER_FAULT = 40;
const SLIGHTEST = 0.15;

interface Said {
  readonly probability: number;
  readonly isTrue: boolean;
}

/** Every fault of every judgement, with what it was given and whether it was there. */
function everythingSaid(): readonly Said[] {
  return FAULT_NAMES.flatMap((fault, f) =>
    Array.from({ length: PER_FAULT }, (_, i) => {
      const severity = SLIGHTEST + ((1 - SLIGHTEST) * ((i * 7919) % 97)) / 96;
      const subject = simulateCase({ faults: [fault], severity, seed: SEED + f * 1000 + i, spread: TESTING_SPREAD });
      return judge(subject).faults.map((one) => ({ probability: one.probability, isTrue: one.fault === fault }));
    }).flat(),
  );
}

describe('what is said of a full set', () => {
  const all = everythingSaid();
  const between = (from: number, to: number): readonly Said[] =>
    all.filter(({ probability }) => probability >= from && probability < to);
  const meanOf = (some: readonly Said[], figure: (one: Said) => number): number =>
    some.reduce((sum, one) => sum + figure(one), 0) / some.length;
  const trueShare = (some: readonly Said[]): number => meanOf(some, ({ isTrue }) => Number(isTrue));

  it('is nearly always so where it is nearly sure', () => {
    const sure = between(0.9, 1.01);
    expect(sure.length).toBeGreaterThan(0.9 * PER_FAULT * FAULT_NAMES.length);
    expect(trueShare(sure)).toBeGreaterThan(0.98);
  });

  it('is nearly never so where it is nearly excluded', () => {
    expect(trueShare(between(0, 0.1))).toBeLessThan(0.001);
  });

  it('is off by no more than three in a hundred, faults that are worth speaking of taken together', () => {
    const spoken = between(0.2, 1.01);
    let off = 0;
    for (let tenth = 2; tenth < 10; tenth++) {
      const some = between(tenth / 10, tenth === 9 ? 1.01 : (tenth + 1) / 10);
      if (some.length > 0)
        off += Math.abs(meanOf(some, ({ probability }) => probability) - trueShare(some)) * some.length;
    }
    expect(off / spoken.length).toBeLessThan(0.03);
  });
});
