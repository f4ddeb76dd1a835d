/** Packs: every battery has its own charge, health and verdict; the weak one is named, the flat one charged first. */
import fc from 'fast-check';
import { TESTING_SPREAD, TESTS, judge, simulatePack, survey } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import { caseOf, read } from './cases';

const packOf = (count: 2 | 3, arrangement: 'parallel' | 'series'): Case['system'] => ({
  nominalVolts: arrangement === 'series' ? 24 : 12,
  engine: { cylinders: 6, fuel: 'diesel' },
  battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' }, count, arrangement },
});
const rest = (battery: number, volts: number) =>
  read('resting-voltage', volts, { surfaceChargeRemoved: true }, { battery });
const ofBattery = (battery: number, volts: number, conductance: number) => [
  rest(battery, volts),
  read('conductance', conductance, {}, { battery }),
  read('load-test', conductance > 400 ? 10.3 : 8.0, { amps: 280, seconds: 15, chargedBefore: true }, { battery }),
];

describe('the load of a load test', () => {
  const known = (system: Case['system'], battery?: number) =>
    TESTS['load-test'].known!(survey(caseOf([], { system })).gradedCase, battery);

  it('is half the rating of the battery at hand, never of the whole parallel pack', () => {
    expect(known(packOf(2, 'parallel'), 1)).toEqual({ amps: 280 });
    expect(known(packOf(3, 'parallel'), 3)).toEqual({ amps: 280 });
    expect(known(packOf(2, 'series'), 2)).toEqual({ amps: 280 });
  });
  it('of the pack as connected is half of what the pack can give', () => {
    expect(known(packOf(2, 'parallel'))).toEqual({ amps: 560 });
    expect(known(packOf(2, 'series'))).toEqual({ amps: 280 });
  });
  it('that the judge asks for is of one battery once batteries are read by themselves', () => {
    const said = judge(
      caseOf([rest(1, 12.65), rest(2, 12.6)], { system: packOf(2, 'parallel'), symptoms: ['slow-crank'] }),
    );
    expect(said.derived.loadAmps).toBe(280);
  });
});

describe('two batteries in series, read as one', () => {
  const deadCell = (volts: number): number =>
    judge(
      caseOf([read('resting-voltage', volts, { surfaceChargeRemoved: true }), read('conductance', 250)], {
        system: packOf(2, 'series'),
        symptoms: ['slow-crank'],
      }),
    ).faults.find(({ fault }) => fault === 'battery-dead-cell')!.probability;

  it('a full pack with a cell less reads like a flat one: neither is excluded', () => {
    // 25.3 V full, 2.1 V less; at 23.9 V no cell can be missing
    expect(deadCell(23.3)).toBeGreaterThan(2 * deadCell(23.9));
  });
});

describe('a flat battery among full ones', () => {
  it.each([
    ['parallel', 12.1],
    ['series', 12.1],
  ] as const)('in %s is charged before any is condemned, and it is named', (arrangement, flat) => {
    const said = judge(
      caseOf([...ofBattery(1, 12.66, 540), rest(2, flat)], {
        system: packOf(2, arrangement),
        symptoms: ['slow-crank'],
      }),
    );
    expect(said.decision).toMatchObject({ action: 'charge-first', batteries: [2] });
    expect(said.decision.because).toContain('Battery 2 is');
    expect(said.batteries!.map(({ battery, verdict }) => [battery, verdict])).toEqual([
      [1, 'keep'],
      [2, 'charge-first'],
    ]);
    expect(said.next[0]).toMatchObject({ test: 'charge', battery: 2 });
  });

  it('whichever was read last: the order of the readings does not matter', () => {
    const readings = [rest(1, 12.1), rest(2, 12.66), rest(3, 12.64)];
    const decisions = [readings, [...readings].reverse(), [readings[1]!, readings[0]!, readings[2]!]].map(
      (order) => judge(caseOf(order, { system: packOf(3, 'parallel') })).decision,
    );
    for (const decision of decisions) expect(decision).toMatchObject({ action: 'charge-first', batteries: [1] });
  });
});

describe('a worn battery', () => {
  it('in parallel takes the pack with it; the weak one is named', () => {
    const said = judge(
      caseOf([...ofBattery(1, 12.65, 540), ...ofBattery(2, 12.6, 230), ...ofBattery(3, 12.64, 545)], {
        system: packOf(3, 'parallel'),
        symptoms: ['slow-crank'],
      }),
    );
    expect(said.decision).toMatchObject({ action: 'replace', part: 'battery', batteries: [1, 2, 3] });
    expect(said.decision.because).toContain('It is battery 2.');
    expect(said.decision.because).toContain('all 3');
    expect(said.batteries!.map(({ because }) => because)).toEqual([
      'Battery 1 is replaced together with the weak one.',
      expect.stringContaining('Battery 2 is the weak one'),
      'Battery 3 is replaced together with the weak one.',
    ]);
  });

  it('in series is the one to replace, and a pair is better', () => {
    const said = judge(
      caseOf([...ofBattery(1, 12.65, 540), ...ofBattery(2, 12.6, 230)], {
        system: packOf(2, 'series'),
        symptoms: ['slow-crank'],
      }),
    );
    expect(said.decision).toMatchObject({ action: 'replace', batteries: [2] });
    expect(said.decision.because).toContain('A pair of the same age is better');
    expect(said.batteries![0]).toMatchObject({ battery: 1, verdict: 'keep' });
  });
});

describe('beside a battery that is worn by all its measures', () => {
  const narrowly = [
    rest(1, 12.65),
    read('conductance', 545, {}, { battery: 1 }),
    // a tenth of a volt under its floor, with a health of nearly all of its rating by conductance
    read('load-test', 9.5, { amps: 280, seconds: 15, chargedBefore: true }, { battery: 1 }),
  ];
  const withSecond = (conductance: number) =>
    judge(
      caseOf([...narrowly, ...ofBattery(2, 12.6, conductance)], {
        system: packOf(2, 'series'),
        symptoms: ['slow-crank'],
      }),
    );

  it('one narrow failure of another names nobody, and does not let it pass either', () => {
    const { decision, batteries } = withSecond(230);
    expect(decision).toMatchObject({ action: 'replace', batteries: [2] });
    expect(batteries![0]).toMatchObject({ battery: 1, verdict: 'not-proven' });
  });

  it('alone it condemns nothing', () => {
    expect(withSecond(550).decision.action).not.toBe('replace');
  });
});

describe('each battery', () => {
  it('is asked for by its number until all are read', () => {
    const system = packOf(2, 'series');
    const first = judge(caseOf([], { system, symptoms: ['slow-crank'] })).next[0]!;
    expect(first).toMatchObject({ test: 'resting-voltage', battery: 1 });
    const said = judge(
      caseOf([rest(1, 12.65), read('conductance', 540, {}, { battery: 1 })], { system, symptoms: ['slow-crank'] }),
    );
    expect(said.next.map(({ test, battery }) => [test, battery])).toEqual([['resting-voltage', 2]]);
  });

  it('of a drawn pack is found by itself: the bad one is named, a sound pack is left alone', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('worn', 'flat', 'none' as const),
        fc.integer({ min: 0, max: 5_000 }),
        (trouble, seed) => {
          const pack = simulatePack({ seed, spread: TESTING_SPREAD, trouble: trouble as 'worn' });
          const { decision, batteries } = judge(pack.case);
          expect(batteries).toHaveLength(pack.case.system.battery.count!);
          if (pack.bad === null) expect(decision.action).not.toBe('replace');
          else if (decision.action === 'replace' || decision.action === 'charge-first')
            expect(decision.batteries).toContain(pack.bad);
        },
      ),
      { numRuns: 120 },
    );
  });
});
