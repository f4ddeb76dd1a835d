/** How much of a doubt a step is said to take away is no more than the spreads of its figure allow. */
import { describe, expect, it } from '@jest/globals';
import { FAULT_NAMES, TESTS, TEST_NAMES, derive, findingsOf, simulateCase, survey } from '@tetrad/core';
import type { FaultName, TestName } from '@tetrad/core';
import { spreadOf } from '../src/criteria/spreads';
import type { SpreadName } from '../src/criteria/spreads';

const PER_FAULT = 12;
const SEED = 91_000_000;
/** The strictest limit of a drop (12 V): the faulty side of a drop is told in volts, V. */
const STRICT_VOLTS = 0.1;
/** The strengths are written down in steps of a twentieth. */
const MARGIN = 0.03;

/** Probability that a normal figure lies under so many of its deviations. */
function normal(deviations: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(deviations));
  const tail =
    (Math.exp((-deviations * deviations) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return deviations >= 0 ? 1 - tail : tail;
}

/** The share of a doubt that a figure takes away, told by the line that is as often wrong for sound as for faulty vehicles. */
function told(name: SpreadName): number {
  const { sound, faulty } = spreadOf(name);
  const middle = name === 'drop' ? faulty[0] - Math.log(STRICT_VOLTS) : faulty[0];
  const right = normal(Math.abs(middle - sound[0]) / (sound[1] + faulty[1]));
  return (2 * right - 1) ** 2;
}

/** What each test's figures tell of each fault, by the findings of simulated vehicles. */
function toldByFigures(): ReadonlyMap<TestName, ReadonlyMap<FaultName, number>> {
  const all = new Map<TestName, Map<FaultName, number>>();
  for (const [f, fault] of FAULT_NAMES.entries())
    for (let i = 0; i < PER_FAULT; i++) {
      const subject = simulateCase({ faults: [fault], severity: (i + 1) / PER_FAULT, seed: SEED + 100 * f + i });
      const { gradedCase } = survey(subject);
      const testOf = new Map(subject.readings.map(({ id, test }) => [id, test]));
      for (const { figure, source, causes } of findingsOf({ gradedCase, figures: derive(gradedCase) })) {
        const test = 'reading' in source ? testOf.get(source.reading) : undefined;
        if (!figure || test === undefined) continue;
        const own = all.get(test) ?? new Map<FaultName, number>();
        all.set(test, own);
        for (const cause of causes) own.set(cause.fault, Math.max(own.get(cause.fault) ?? 0, told(figure.spread)));
      }
    }
  return all;
}

describe('how much of a doubt a step takes away', () => {
  const figures = toldByFigures();
  const rows = TEST_NAMES.flatMap((test) =>
    TESTS[test].step.informs.flatMap(([fault, strength]) => {
      const most = figures.get(test)?.get(fault);
      return most === undefined ? [] : [{ test, fault, strength, most }];
    }),
  );

  it('is held against the spreads of most tests that tell of a fault by a figure', () => {
    expect(new Set(rows.map(({ test }) => test)).size).toBeGreaterThan(14);
  });

  it('is no more than the figure can tell', () => {
    const tooMuch = rows.filter(({ strength, most }) => strength > most + MARGIN);
    expect(tooMuch).toEqual([]);
  });
});
