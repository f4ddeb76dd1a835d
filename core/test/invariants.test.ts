/** What must hold whatever is read: properties over simulated and random cases. */
import fc from 'fast-check';
import {
  EXCUSES,
  FAULTS,
  FAULT_NAMES,
  PATHS,
  SimulatedVisit,
  TESTING_SPREAD,
  TESTS,
  TUNING_SPREAD,
  isPathTest,
  judge,
  simulateCase,
} from '@tetrad/core';
import type { Case, FaultName, JudgedPart, Reading } from '@tetrad/core';
import { SOUND_LOOKS, SOUND_SYSTEM, caseOf, fourNotes, read, soundReadings } from './cases';

const seed = fc.integer({ min: 0, max: 100_000 });
const fault = fc.constantFrom<FaultName>(...FAULT_NAMES);
const drawn = fc
  .tuple(fault, seed, fc.constantFrom(TUNING_SPREAD, TESTING_SPREAD), fc.constantFrom(0, 0.1))
  .map(([name, at, spread, mistakes]) => simulateCase({ faults: [name], seed: at, spread, mistakes }));
/** A sound vehicle with one reading that is far off. */
const oneOff = fc
  .tuple(seed, fc.nat(), fc.constantFrom(0.4, 0.6, 0.8, 1.3, 1.8, 2.5))
  .map(([at, which, factor]): Case => {
    const subject = simulateCase({ faults: ['none'], seed: at });
    const place = which % subject.readings.length;
    const spoil = (reading: Reading): Reading =>
      typeof reading.value === 'number' ? { ...reading, value: reading.value * factor } : reading;
    return { ...subject, readings: subject.readings.map((reading, i) => (i === place ? spoil(reading) : reading)) };
  });
/** Some of the readings of a drawn case. */
const partial = fc.tuple(drawn, fc.integer({ min: 0, max: 2 ** 30 })).map(([subject, mask]): Case => ({
  ...subject,
  readings: subject.readings.filter((_, i) => ((mask >> (i % 30)) & 1) === 1),
}));

const newestOf = (subject: Case, test: string): Reading | undefined =>
  subject.readings.findLast((reading) => reading.test === test);

test('a valid reading straight across a fault, outside its limit, is never followed by “nothing found” or “keep”', () => {
  let looked = 0;
  fc.assert(
    fc.property(fc.oneof(drawn, partial), (subject) => {
      const said = judge(subject);
      subject.readings.forEach((reading, i) => {
        const { direct } = TESTS[reading.test];
        if (said.readings[i]!.grade !== 'outside' || !direct || newestOf(subject, reading.test) !== reading) return;
        looked += 1;
        expect(said.decision.action).not.toBe('none-found');
        const parts = [...new Set(direct.map((name) => FAULTS[name].part(subject.system)))];
        const [part] = parts;
        if (parts.length === 1 && part && Object.hasOwn(said.parts, part))
          expect(said.parts[part as JudgedPart].verdict).not.toBe('keep');
      });
    }),
    { numRuns: 1500 },
  );
  expect(looked).toBeGreaterThan(500);
});

test('beside a reading that lies outside its limit nothing is found before it was read twice, and then it is named', () => {
  let [looked, named] = [0, 0];
  fc.assert(
    fc.property(oneOff, (subject) => {
      const said = judge(subject);
      const outside = subject.readings.filter(
        (reading, i) => said.readings[i]!.grade === 'outside' && newestOf(subject, reading.test) === reading,
      );
      if (outside.length === 0) return;
      looked += 1;
      expect(said.decision.action).not.toBe('none-found');
      const twice = {
        ...subject,
        readings: [...subject.readings, ...outside.map((one) => ({ ...one, id: `${one.id}-2` }))],
      };
      const { action, code } = judge(twice).decision;
      if (action !== 'none-found') return;
      named += 1;
      expect(outside.filter(({ test }) => TESTS[test].direct)).toEqual([]);
      expect(code).toBe('none-found-beside');
    }),
    { numRuns: 1500 },
  );
  expect(looked).toBeGreaterThan(100);
  expect(named).toBeGreaterThan(0);
  // a starter that turns the engine too slowly is no sound vehicle, though it draws no more than it should
  const slow = caseOf([...soundReadings(), read('cranking-speed', 110)], {
    system: SOUND_SYSTEM,
    observations: SOUND_LOOKS,
  });
  expect(judge(slow).decision.action).not.toBe('none-found');
});

test('a decision that is final asks for nothing, or for what it stands without', () => {
  let final = 0;
  fc.assert(
    fc.property(fc.oneof(drawn, partial), (subject) => {
      const { decision, next } = judge(subject);
      if (decision.action === 'test-next' || decision.action === 'charge-first') return;
      final += 1;
      expect(next.filter(({ optional }) => optional !== true)).toEqual([]);
    }),
    { numRuns: 800 },
  );
  expect(final).toBeGreaterThan(100);
});

test('what the decision asks for is the first step that stands beside it', () => {
  let told = 0;
  fc.assert(
    fc.property(partial, (subject) => {
      const { decision, next } = judge(subject);
      const [first] = next;
      if (decision.action !== 'test-next' || !first) return;
      told += 1;
      const { reading, excuse, step } = decision.with as {
        reading?: Reading;
        excuse?: keyof typeof EXCUSES;
        step?: string;
      };
      if (decision.code === 'leads') {
        if (excuse) expect(EXCUSES[excuse].steps).toContain(first.test);
        else expect(step).toBe(first.test);
      } else if (decision.code === 'outside-unexplained') expect(first.test).toBe(reading!.test);
      else expect(decision.because).toBe(first.because);
    }),
    { numRuns: 1500 },
  );
  expect(told).toBeGreaterThan(100);
});

test('the order of readings does not matter', () => {
  fc.assert(
    fc.property(partial, fc.integer({ min: 1, max: 997 }), (subject, stride) => {
      // attempts and charges do matter: a test that was read twice keeps its order
      const once = subject.readings.filter(
        ({ test, conditions }, i) =>
          subject.readings.findIndex(
            (other) => other.test === test && other.conditions?.loads === conditions?.loads,
          ) === i,
      );
      const shuffled = once
        .map((reading, i) => ({ reading, key: (i * 7919 + stride * 104729) % 997 }))
        .sort((a, b) => a.key - b.key)
        .map(({ reading }) => reading);
      const [one, other] = [judge({ ...subject, readings: once }), judge({ ...subject, readings: shuffled })];
      expect(other.decision.action).toBe(one.decision.action);
      expect(other.decision.fault).toBe(one.decision.fault);
      for (const { fault: name, probability } of one.faults)
        expect(other.faults.find((entry) => entry.fault === name)!.probability).toBeCloseTo(probability, 1);
    }),
    { numRuns: 300 },
  );
});

test('the same evidence once more, in the same direction, never lowers a fault', () => {
  const bad = fc.constantFrom(
    ['drop-starter-ground', 1.4, 'cable-starter-ground'] as const,
    ['drop-positive-post', 0.8, 'connection-positive-post'] as const,
    ['ripple-ac', 0.9, 'alternator-diode'] as const,
    ['parasitic-draw', 0.6, 'parasitic-drain'] as const,
  );
  fc.assert(
    fc.property(bad, fc.double({ min: 1, max: 1.6, noNaN: true }), ([test, value, name], factor) => {
      const conditions = isPathTest(test) ? { amps: 140 } : test === 'parasitic-draw' ? { minutesAsleep: 40 } : {};
      const base = [...fourNotes().slice(0, 3), read(test, value, conditions)];
      const p = (readings: readonly Reading[]) =>
        judge(caseOf(readings)).faults.find((entry) => entry.fault === name)!.probability;
      expect(p([...base, read(test, value * factor, conditions)])).toBeGreaterThanOrEqual(p(base) - 1e-3);
    }),
    { numRuns: 80 },
  );
});

test('a worse drop never makes its path less suspected', () => {
  const path = fc.constantFrom(
    'drop-positive-post',
    'drop-starter-ground',
    'drop-charge-positive',
    'drop-body-ground' as const,
  );
  fc.assert(
    fc.property(
      path,
      fc.double({ min: 0.02, max: 2, noNaN: true }),
      fc.double({ min: 1, max: 3, noNaN: true }),
      (test, volts, factor) => {
        const amps = PATHS[test as 'drop-body-ground'].loadedBy === ('charging' as string) ? 88 : 138;
        const { fault: name } = { fault: TESTS[test as 'drop-body-ground'].direct![0]! };
        const p = (value: number) =>
          judge(caseOf([...fourNotes(), read(test as 'drop-body-ground', value, { amps })])).faults.find(
            (entry) => entry.fault === name,
          )!.probability;
        expect(p(volts * factor)).toBeGreaterThanOrEqual(p(volts) - 1e-3);
      },
    ),
    { numRuns: 150 },
  );
});

test('no probability is none, and nothing in an answer is no figure', () => {
  fc.assert(
    fc.property(partial, (subject) => {
      const said = judge(subject);
      for (const { probability } of said.faults) {
        expect(Number.isFinite(probability)).toBe(true);
        expect(probability).toBeGreaterThanOrEqual(0);
        expect(probability).toBeLessThanOrEqual(1);
      }
      const bare = JSON.stringify(said, (_key, value: unknown) =>
        typeof value === 'number' && !Number.isFinite(value) ? 'no figure' : value,
      );
      expect(bare).not.toContain('no figure');
    }),
    { numRuns: 200 },
  );
});

test('following next never asks for what was answered, and never asks a third time', () => {
  let looked = 0;
  fc.assert(
    fc.property(fault, seed, (name, at) => {
      const visit = new SimulatedVisit({ faults: [name], seed: at });
      visit.do('resting-voltage');
      const asked = new Map<string, number>();
      for (let i = 0; i < 45; i++) {
        const said = judge(visit.case);
        const [step] = said.next;
        if (!step || (said.decision.action === 'charge-first' && asked.has('charge'))) return;
        const key = `${step.test} ${String(step.conditions['loads'] ?? '')}`;
        const answered = visit.case.readings.filter(
          ({ test, conditions, value }, k) =>
            test === step.test &&
            conditions?.loads === step.conditions['loads'] &&
            value !== null &&
            said.readings[k]!.grade !== 'void',
        );
        // only what lies outside unexplained is read again, with the reason that says so
        looked += 1;
        if (answered.length > 0) expect(step.code).toBe('read-again');
        asked.set(key, (asked.get(key) ?? 0) + 1);
        expect(asked.get(key)).toBeLessThanOrEqual(2);
        visit.do(step.test, step.conditions);
      }
      throw new Error('no decision after 45 steps');
    }),
    { numRuns: 120 },
  );
  expect(looked).toBeGreaterThan(600);
});

test('a part that is decided on has the verdict of the decision', () => {
  let looked = 0;
  fc.assert(
    fc.property(fc.oneof(drawn, partial), (subject) => {
      const { decision, parts } = judge(subject);
      if (decision.action !== 'replace' && decision.action !== 'repair') return;
      if (decision.part === null || !Object.hasOwn(parts, decision.part)) return;
      looked += 1;
      expect(parts[decision.part as JudgedPart].verdict).toBe(decision.action);
    }),
    { numRuns: 1500 },
  );
  expect(looked).toBeGreaterThan(400);
});
