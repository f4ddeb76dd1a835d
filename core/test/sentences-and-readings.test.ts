/** No sentence contradicts a figure beside it: every sentence of random visits is read against the readings. */
import fc from 'fast-check';
import { FAULT_NAMES, SCHOOLS, decisionWords, isTestName, judge, schoolById, simulateCase } from '@tetrad/core';
import type { Case, Judgement, Reading } from '@tetrad/core';

const visits = fc.record({
  // a sound vehicle as often as any other: most sentences about nothing found need one
  fault: fc.oneof(fc.constant('none' as const), fc.constantFrom(...FAULT_NAMES)),
  seed: fc.integer({ min: 1, max: 1e6 }),
  share: fc.oneof(fc.constant(1), fc.double({ min: 0.1, max: 1, noNaN: true })),
  school: fc.constantFrom(...SCHOOLS.map(({ id }) => id)),
});
type Visit = typeof visits extends fc.Arbitrary<infer V> ? V : never;

function visitOf({ fault, seed, share }: Visit): Case {
  const subject = simulateCase({ faults: [fault], seed, mistakes: 0.15 });
  return { ...subject, readings: subject.readings.filter((_, at) => (at * 0.618) % 1 < share) };
}
/** Looks at random visits. @returns how many things the check looked at. */
function each(check: (said: Judgement, subject: Case) => number): number {
  let looked = 0;
  fc.assert(
    fc.property(visits, (visit) => {
      const subject = visitOf(visit);
      looked += check(judge(subject, schoolById(visit.school)!), subject);
    }),
    // so many that what few visits show is looked at often enough by any draw
    { numRuns: 700 },
  );
  return looked;
}

/** A figure of a sentence in the base unit: “230 mV” is 0.23, “4.2 mΩ” 0.0042. */
const FIGURE = /(-?\d+(?:\.\d+)?) (mV|V|mA|A|mΩ|rpm)(?![a-zA-Z])/g;
const SCALE: Readonly<Record<string, number>> = { mV: 1e-3, mA: 1e-3, mΩ: 1e-3 };
const figuresOf = (text: string): readonly number[] =>
  [...text.matchAll(FIGURE)].map(([, figure, unit]) => Number(figure) * (SCALE[unit!] ?? 1));
/** A limit of one figure in the reading's own unit. */
const PLAIN_BOUND = /^(at least|at most) -?[\d.]+ (mV|V|mA|A|mΩ|rpm)( \(.*\))?$/;
/** Half of the last digit that a figure of this size is told with. */
const rounding = (value: number): number => (Math.abs(value) < 0.5 ? 0.0006 : Math.abs(value) < 20 ? 0.06 : 0.6);

test('a reading outside “at most 0.50 V” is above it, one within is not, and the same of “at least”', () => {
  const looked = each((said, { readings }) => {
    let count = 0;
    for (const { id, grade, limit } of said.readings) {
      const { value } = readings.find((reading) => reading.id === id)!;
      const bound = /^(at least|at most) /.exec(limit)?.[1];
      const [figure] = figuresOf(limit);
      if (typeof value !== 'number' || !bound || figure === undefined || !PLAIN_BOUND.test(limit)) continue;
      const isBeyond =
        bound === 'at most' ? Math.abs(value) > figure - rounding(figure) : value < figure + rounding(figure);
      const isInside =
        bound === 'at most' ? Math.abs(value) < figure + rounding(figure) : value > figure - rounding(figure);
      if (grade === 'outside') expect([limit, value, isBeyond]).toEqual([limit, value, true]);
      if (grade === 'within') expect([limit, value, isInside]).toEqual([limit, value, true]);
      count += 1;
    }
    return count;
  });
  expect(looked).toBeGreaterThan(1000);
});

test('“missing” lists nothing that was read, “to repeat” nothing that was not', () => {
  const isRead = (said: Judgement, { readings, observations = [] }: Case, step: string): boolean =>
    isTestName(step)
      ? readings.some(({ id, test, value, void: byHand }) => {
          const grade = said.readings.find((entry) => entry.id === id)?.grade;
          return test === step && value !== null && byHand === undefined && grade !== 'void';
        })
      : observations.some(({ about }) => about === step);
  const looked = each((said, subject) => {
    let count = 0;
    for (const { missing, again = [] } of Object.values(said.parts)) {
      for (const step of missing) expect([step, isRead(said, subject, step)]).toEqual([step, false]);
      for (const step of again) expect([step, isRead(said, subject, step)]).toEqual([step, true]);
      count += missing.length + again.length;
    }
    return count;
  });
  expect(looked).toBeGreaterThan(500);
});

test('“nothing found” is said by no limit set beside a reading that it grades outside', () => {
  const newest = (readings: readonly Reading[], said: Judgement) => {
    const counted = readings.filter(({ id }) => said.readings.find((entry) => entry.id === id)!.grade !== 'void');
    return [
      ...new Map(
        counted.map((reading) => [
          `${reading.test} ${String(reading.battery)} ${String(reading.conditions?.loads)}`,
          reading,
        ]),
      ).values(),
    ];
  };
  let found = 0;
  each((said, { readings }) => {
    if (decisionWords(said.decision) !== 'Nothing found') return 0;
    const outside = newest(readings, said).filter(
      ({ id }) => said.readings.find((entry) => entry.id === id)!.grade === 'outside',
    );
    expect(outside.map(({ test, value }) => `${test} ${String(value)}`)).toEqual([]);
    return (found += 1);
  });
  expect(found).toBeGreaterThan(5);
});

test('what “would clear it” is not what the newest reading says already', () => {
  const looked = each((said, { readings }) => {
    let count = 0;
    for (const { wouldChange = [] } of said.faults)
      for (const { test, says } of wouldChange) {
        const read = readings.findLast(
          (reading) => reading.test === test && said.readings.find(({ id }) => id === reading.id)!.grade !== 'void',
        );
        if (!read) continue;
        expect([says, said.readings.find(({ id }) => id === read.id)!.grade]).toEqual([says, 'outside']);
        count += 1;
      }
    return count;
  });
  expect(looked).toBeGreaterThan(50);
});

describe('what is said for and against a fault', () => {
  /** Sentences whose figure is worked out from several readings: their own tests look at them. */
  const WORKED_OUT: ReadonlySet<string> = new Set(['health', 'pulled-down', 'starter-open', 'did-not-crank']);
  /** The same figure as far as the sentence tells it. */
  const isTold = (told: number, value: number): boolean => Math.abs(told - Math.abs(value)) <= rounding(value) * 1.01;

  test('names a reading that counts, and says its figure', () => {
    const looked = each((said, { readings }) => {
      let count = 0;
      for (const { evidence } of said.faults)
        for (const { reading: id, code, says } of evidence) {
          if (id === undefined) continue;
          const { value } = readings.find((reading) => reading.id === id)!;
          expect([says, said.readings.find((entry) => entry.id === id)!.grade]).not.toEqual([says, 'void']);
          if (typeof value !== 'number' || WORKED_OUT.has(code)) continue;
          const told = figuresOf(says);
          if (told.length === 0) continue;
          expect([says, value, told.some((figure) => isTold(Math.abs(figure), value))]).toEqual([says, value, true]);
          count += 1;
        }
      return count;
    });
    expect(looked).toBeGreaterThan(300);
  });

  test('a drop that speaks for a fault is above its limit, one that speaks against is not far above', () => {
    const looked = each((said) => {
      let count = 0;
      for (const { evidence } of said.faults)
        for (const { code, says, weight } of evidence) {
          if (code !== 'drop-read') continue;
          const [lost, limit] = [figuresOf(says)[0]!, figuresOf(says.slice(says.indexOf('; limit ')))[0]!];
          if (weight > 2) expect([says, Math.abs(lost) > 0.9 * limit]).toEqual([says, true]);
          if (weight < -1) expect([says, Math.abs(lost) < 1.2 * limit]).toEqual([says, true]);
          count += 1;
        }
      return count;
    });
    expect(looked).toBeGreaterThan(30);
  });

  test('what was seen or complained of is in the case', () => {
    const looked = each((said, { observations = [], complaint }) => {
      let count = 0;
      for (const { evidence } of said.faults)
        for (const line of evidence) {
          if (line.observation !== undefined) {
            const seen = observations.find(({ about }) => about === line.observation);
            expect([line.says, seen !== undefined]).toEqual([line.says, true]);
            if (line.code === 'seen') expect(line.says).toContain(seen!.finding.replaceAll('-', ' '));
            count += 1;
          }
          if (line.symptom !== undefined) {
            expect(complaint?.symptoms).toContain(line.symptom);
            count += 1;
          }
        }
      return count;
    });
    expect(looked).toBeGreaterThan(300);
  });

  test('the share of rated that is told lies between what the ways say', () => {
    const looked = each((said) => {
      let count = 0;
      const ways = said.derived.ways?.map(({ health }) => health) ?? [];
      for (const { evidence } of said.faults)
        for (const { code, says } of evidence) {
          const told = code === 'health' ? /health about (\d+) %/.exec(says)?.[1] : undefined;
          if (told === undefined) continue;
          const share = Number(told) / 100;
          const isBetween = share >= Math.min(...ways) - 0.006 && share <= Math.max(...ways) + 0.006;
          expect([says, ways, isBetween]).toEqual([says, ways, true]);
          count += 1;
        }
      return count;
    });
    expect(looked).toBeGreaterThan(10);
  });
});

test('what is above its limit is told beside a largest allowed figure, what is below beside a smallest', () => {
  const looked = each((said) => {
    const sides = said.readings.flatMap(({ because }) => {
      const [, side, bound] = /is (above|below) its limit, (at least|at most) /.exec(because) ?? [];
      return side ? [`${side}, ${bound}`] : [];
    });
    for (const side of sides) expect(['above, at most', 'below, at least']).toContain(side);
    return sides.length;
  });
  expect(looked).toBeGreaterThan(200);
});
