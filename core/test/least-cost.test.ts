/** The decision of least expected cost: when it stops, what it rests on, and what a bolder or more careful set changes. */
import { describe, expect, it, test } from '@jest/globals';
import fc from 'fast-check';
import { BALANCED, FAULT_NAMES, SimulatedVisit, TESTING_SPREAD, judge, simulateCase, weighedCosts } from '@tetrad/core';
import type { Case, CriteriaSet, FaultName, Judgement } from '@tetrad/core';
import { SOUND_LOOKS, caseOf, charging, crank, drop, read, rest, ripple, saw, soundReadings } from './cases';

const drawn = fc
  .tuple(fc.constantFrom<FaultName>(...FAULT_NAMES), fc.integer({ min: 0, max: 100_000 }), fc.constantFrom(0, 0.1))
  .map(([fault, seed, mistakes]) => simulateCase({ faults: [fault], seed, spread: TESTING_SPREAD, mistakes }));
const partial = fc.tuple(drawn, fc.integer({ min: 0, max: 2 ** 30 })).map(([subject, mask]): Case => ({
  ...subject,
  readings: subject.readings.filter((_, i) => ((mask >> (i % 30)) & 1) === 1),
}));
const isCall = ({ decision }: Judgement): boolean => decision.action === 'replace' || decision.action === 'repair';

describe('whatever is read', () => {
  it('nothing is called whose probability, with that of the same part’s other faults, is under one half', () => {
    fc.assert(
      fc.property(fc.oneof(drawn, partial), (subject) => {
        const said = judge(subject);
        if (!isCall(said)) return;
        const called = said.faults.find(({ fault }) => fault === said.decision.fault)!.probability;
        const all = said.faults
          .filter(({ fault }) => fault !== 'none')
          .reduce((sum, { probability }) => sum + probability, 0);
        expect(all).toBeGreaterThanOrEqual(0.5);
        expect(called).toBeGreaterThan(0.2);
      }),
      { numRuns: 800 },
    );
  });

  it('no verdict of a part goes beyond the decision: nothing is called while something is asked for', () => {
    fc.assert(
      fc.property(fc.oneof(drawn, partial), (subject) => {
        const said = judge(subject);
        if (isCall(said) || said.decision.action === 'stop') return;
        for (const { verdict } of Object.values(said.parts)) expect(['replace', 'repair']).not.toContain(verdict);
      }),
      { numRuns: 800 },
    );
  });

  it('the deciding reading is of the case, outside its limit, and the other causes are ruled out by readings in it', () => {
    let decided = 0;
    fc.assert(
      fc.property(fc.oneof(drawn, partial), (subject) => {
        const said = judge(subject);
        const { deciding, ruledOut = [] } = said.decision;
        if (!isCall(said)) {
          expect([deciding, ruledOut]).toEqual([undefined, []]);
          return;
        }
        const gradeOf = (id: string): string | undefined => said.readings.find((reading) => reading.id === id)?.grade;
        if (deciding !== undefined) {
          decided += 1;
          expect(gradeOf(deciding)).toBe('outside');
        }
        for (const { readings, observations = [] } of ruledOut) {
          expect(readings.length + observations.length).toBeGreaterThan(0);
          for (const id of readings) expect(gradeOf(id)).not.toBe('outside');
        }
      }),
      { numRuns: 800 },
    );
    expect(decided).toBeGreaterThan(100);
  });

  it('without its deciding reading the decision falls, wherever it falls without any that is outside its limit', () => {
    let looked = 0;
    const kept: string[] = [];
    for (const fault of FAULT_NAMES)
      for (let seed = 0; seed < 8; seed++) {
        const visit = followed(fault, seed);
        const said = judge(visit);
        if (!isCall(said)) continue;
        const { action, part, fault: called, deciding } = said.decision;
        const fallsWithout = (id: string): boolean => {
          const { decision } = judge({ ...visit, readings: visit.readings.filter((reading) => reading.id !== id) });
          return decision.action !== action || decision.part !== part || decision.fault !== called;
        };
        const outside = said.readings.filter(({ grade }) => grade === 'outside');
        if (!outside.some(({ id }) => fallsWithout(id))) continue;
        looked += 1;
        if (deciding === undefined || !fallsWithout(deciding)) kept.push(`${fault}, seed ${seed}`);
      }
    expect(looked).toBeGreaterThan(100);
    expect(kept).toEqual([]);
  });
});

/** A visit in which somebody does what the judge asks for until it decides. */
function followed(fault: FaultName, seed: number, criteria: CriteriaSet = BALANCED): Case & { minutes: number } {
  const visit = new SimulatedVisit({ faults: [fault], seed, spread: TESTING_SPREAD });
  visit.do('resting-voltage');
  let said = judge(visit.case, criteria);
  let minutes = 1;
  for (let steps = 0; steps < 30 && said.decision.action === 'test-next' && said.next[0]; steps++) {
    minutes += said.next[0].minutes;
    visit.do(said.next[0].test, said.next[0].conditions);
    said = judge(visit.case, criteria);
  }
  return { ...visit.case, minutes };
}

describe('when it stops', () => {
  const ground = [rest(12.62), read('conductance', 545), crank(11.4), read('starter-draw', 120)];
  const clean = [saw('terminals', 'clean')];
  const saidOf = (readings: Case['readings'], criteria?: CriteriaSet) =>
    judge(caseOf(readings, { symptoms: ['slow-crank'], observations: clean }), criteria);

  it('while a cable and a post are as likely, one more drop of two minutes is worth it, and what it saves is told', () => {
    const { decision, next } = saidOf([...ground, drop('drop-starter-ground', 0.9)]);
    expect(decision).toMatchObject({ action: 'test-next', balance: { code: 'go-on' } });
    expect(decision.balance!.because).toMatch(/more minutes take away \d+ % of the risk/);
    expect(
      next
        .slice(0, 2)
        .map(({ test: name }) => name)
        .toSorted(),
    ).toEqual(['drop-engine-ground', 'drop-negative-post']);
  });

  it('once one piece is left it is called by its place, and another test would cost more than it could save', () => {
    const half = [...ground, drop('drop-starter-ground', 0.9), drop('drop-negative-post', 0.02)];
    expect(saidOf(half).decision.action).toBe('test-next');
    expect(saidOf(half).next[0]!.test).toBe('drop-engine-ground');
    const strap = saidOf([...half, drop('drop-engine-ground', 0.85)]).decision;
    expect(strap).toMatchObject({
      action: 'repair',
      fault: 'cable-starter-ground',
      place: ['engine-strap'],
      balance: { code: 'stop-here' },
    });
    expect(strap.because).toContain('Work on the engine ground.');
    expect(saidOf([...half, drop('drop-engine-ground', 0.05)]).decision.place).toEqual(['starter-joint']);
  });

  it('an expensive part in doubt is read on where a cheap repair of the same doubt is not', () => {
    const dear: CriteriaSet = {
      ...BALANCED,
      costs: { ...BALANCED.costs, wrongPart: { ...BALANCED.costs.wrongPart, connections: 4000 }, wrongPiece: 2000 },
    };
    const readings = [
      ...ground,
      drop('drop-starter-ground', 0.3),
      drop('drop-negative-post', 0.02),
      drop('drop-engine-ground', 0.04),
    ];
    expect(saidOf(readings).decision.action).toBe('repair');
    expect(saidOf(readings, dear).decision.action).toBe('test-next');
  });
});

describe('a set is bolder or more careful by its costs alone', () => {
  const decided = (factor: number): { minutes: number; calls: number } => {
    const criteria: CriteriaSet = { ...BALANCED, costs: weighedCosts(factor) };
    let minutes = 0;
    let calls = 0;
    for (const fault of ['starter-worn', 'alternator-weak', 'battery-worn', 'starter-dragging'] as const)
      for (let seed = 0; seed < 12; seed++) {
        const visit = followed(fault, seed, criteria);
        minutes += visit.minutes;
        if (isCall(judge(visit, criteria))) calls += 1;
      }
    return { minutes, calls };
  };

  it('the more a needless part costs, the more is read before one is called', () => {
    const bold = decided(0.25);
    const careful = decided(8);
    expect(careful.minutes).toBeGreaterThan(bold.minutes);
    expect(careful.calls).toBeLessThanOrEqual(bold.calls);
  });
});

describe('after a repair', () => {
  const after = <R extends object>(reading: R): R => ({ ...reading, pass: 'after' });
  const failed = drop('drop-starter-ground', 0.9);
  const first = [rest(12.62), read('conductance', 545), crank(11.4), read('starter-draw', 120), failed];
  const again = (volts: number) => after(drop('drop-starter-ground', volts));
  const saidOf = (...later: Case['readings']) =>
    judge(caseOf([...first, drop('drop-negative-post', 0.02), ...later], { symptoms: ['slow-crank'] }));

  it('what failed before is within its limit now: repaired, with both readings, and the path is kept', () => {
    const good = again(0.05);
    const { decision, parts, next } = saidOf(good);
    expect(decision).toMatchObject({
      action: 'repaired',
      part: 'connections',
      fault: 'cable-starter-ground',
      before: failed.id,
      after: good.id,
    });
    expect(parts.connections.verdict).toBe('keep');
    expect(next.map(({ test: name }) => name)).not.toContain('drop-starter-ground');
  });

  it('what failed is read again first, whatever else was read before it', () => {
    const { decision, next } = saidOf(after(rest(12.6)));
    expect(decision.action).not.toBe('repaired');
    expect(next[0]!.test).toBe('drop-starter-ground');
  });

  it('still outside its limit is not repaired', () => {
    expect(saidOf(again(0.8)).decision.action).not.toBe('repaired');
  });

  it('a vehicle in which nothing was wrong is not repaired but found sound', () => {
    const twice = [
      ...soundReadings(),
      ...soundReadings().map((reading) => after({ ...reading, id: `${reading.id}-2` })),
    ];
    const observations = [...SOUND_LOOKS, ...SOUND_LOOKS.map((look) => after({ ...look }))];
    expect(judge(caseOf(twice, { observations })).decision.action).toBe('none-found');
  });
});

test('the deciding reading of a worn battery is a measure of its health, never the crank that passed', () => {
  const readings = [
    rest(12.62),
    crank(10.6),
    read('starter-draw', 130),
    read('conductance', 190),
    read('load-test', 7.9, { amps: 280, seconds: 15, chargedBefore: true }),
    charging(14.2),
    ripple(0.04),
  ];
  const system = { ...caseOf([]).system };
  const battery = { ...system.battery, rating: { value: 560, standard: 'SAE' as const, confirmed: true } };
  const { decision } = judge(caseOf(readings, { system: { ...system, battery }, symptoms: ['slow-crank'] }));
  expect(decision).toMatchObject({ action: 'replace', part: 'battery' });
  const deciding = readings.find(({ id }) => id === decision.deciding)!;
  expect(['conductance', 'load-test']).toContain(deciding.test);
});
