/**
 * The ranking passes messages between findings and faults; where each finding stands by itself that is exact.
 * Held here against counting every combination of faults, which no case of the trade's size could wait for.
 */
import { FAULTS, FAULT_NAMES } from '@tetrad/core';
import type { FaultName } from '@tetrad/core';
import fc from 'fast-check';
import { rankFaults } from '../src/judge/rank/rank-faults';
import { causes } from '../src/evidence/finding';
import type { CauseEntry, Finding } from '../src/evidence/finding';

const REAL = FAULT_NAMES.filter((fault) => fault !== 'none');
const SAID = { code: 'did-not-crank', params: {} };
const findingOf = (own: readonly CauseEntry[], weight: number): Finding => ({
  causes: causes(...own),
  weight,
  says: SAID,
  source: { reading: 'r' },
});

/** Every combination of these faults, each with its prior, and how well it explains one finding (noisy or). */
function counted(own: readonly (readonly [FaultName, number])[], weight: number): readonly number[] {
  const with_ = own.map(() => 0);
  let all = 0;
  for (let present = 0; present < 2 ** own.length; present++) {
    let chance = 1;
    let unexplained = 1;
    own.forEach(([fault, share], i) => {
      const { prior } = FAULTS[fault];
      const isThere = (present >> i) % 2 === 1;
      chance *= isThere ? prior : 1 - prior;
      if (isThere) unexplained *= 1 - share;
    });
    chance *= 1 + (Math.exp(weight) - 1) * (1 - unexplained);
    all += chance;
    own.forEach((_, i) => void ((present >> i) % 2 === 1 && (with_[i]! += chance)));
  }
  return with_.map((sum) => sum / all);
}

/** That none of any number of faults is there, of findings whose causes are all among these. */
function countedNone(own: readonly FaultName[], findings: readonly Finding[]): number {
  let all = 0;
  let nothing = 0;
  for (let present = 0; present < 2 ** own.length; present++) {
    const isThere = (fault: FaultName): boolean => (present >> own.indexOf(fault)) % 2 === 1;
    let chance = own.reduce(
      (product, fault) => product * (isThere(fault) ? FAULTS[fault].prior : 1 - FAULTS[fault].prior),
      1,
    );
    for (const { causes: list, weight } of findings) {
      const unexplained = list.reduce((rest, { fault, share }) => rest * (isThere(fault) ? 1 - share : 1), 1);
      chance *= 1 + (Math.exp(weight) - 1) * (1 - unexplained);
    }
    all += chance;
    if (present === 0) nothing = chance;
  }
  const others = REAL.filter((fault) => !own.includes(fault));
  return (nothing / all) * others.reduce((product, fault) => product * (1 - FAULTS[fault].prior), 1);
}

const probabilityOf = (findings: readonly Finding[], fault: FaultName): number =>
  rankFaults(findings).find((entry) => entry.fault === fault)!.probability;

const someCauses = fc
  .uniqueArray(fc.constantFrom(...REAL), { minLength: 1, maxLength: 6 })
  .chain((faults) =>
    fc.tuple(...faults.map((fault) => fc.tuple(fc.constant(fault), fc.double({ min: 0.05, max: 1, noNaN: true })))),
  );
const someWeight = fc.double({ min: -2.5, max: 6, noNaN: true });

describe('the ranking', () => {
  it('of one finding is what counting every combination of its causes gives', () => {
    fc.assert(
      fc.property(someCauses, someWeight, (own, weight) => {
        const finding = findingOf(own, weight);
        counted(own, weight).forEach((expected, i) =>
          expect(probabilityOf([finding], own[i]![0])).toBeCloseTo(Math.min(0.995, expected), 3),
        );
      }),
      { numRuns: 200 },
    );
  });

  it('of findings that share no cause is that of each by itself', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(REAL, { minLength: 6, maxLength: 6 }), someWeight, someWeight, (faults, a, b) => {
        const first = findingOf(faults.slice(0, 3), a);
        const second = findingOf(faults.slice(3), b);
        for (const fault of faults.slice(0, 3))
          expect(probabilityOf([first, second], fault)).toBe(probabilityOf([first], fault));
      }),
    );
  });

  it('nothing wrong is as probable as counting every combination gives, whatever must be explained', () => {
    const some = ['battery-worn', 'starter-worn', 'starter-dragging', 'engine-drag', 'cable-starter-ground'] as const;
    const finding = fc
      .tuple(fc.shuffledSubarray([...some], { minLength: 1 }), fc.double({ min: -2, max: 4, noNaN: true }))
      .map(([own, weight]) => findingOf(own, weight));
    fc.assert(
      fc.property(fc.array(finding, { minLength: 1, maxLength: 4 }), (findings) => {
        const expected = countedNone(some, findings);
        expect(Math.abs(probabilityOf(findings, 'none') - expected)).toBeLessThan(0.03);
      }),
      { numRuns: 300 },
    );
  });

  it('a proven cause takes a shared finding upon itself: the others fall back to what they were', () => {
    const slow = findingOf(['battery-worn', 'starter-worn', 'cable-starter-ground'], 3);
    const ground = findingOf(['cable-starter-ground'], 6);
    const before = probabilityOf([slow], 'battery-worn');
    const after = probabilityOf([slow, ground], 'battery-worn');
    expect(before).toBeGreaterThan(3 * FAULTS['battery-worn'].prior);
    expect(after).toBeLessThan(before / 2);
    expect(probabilityOf([slow, ground], 'cable-starter-ground')).toBeGreaterThan(0.9);
  });

  it('a finding that speaks against its causes speaks for none of the others', () => {
    const good = findingOf(['solenoid-contacts', 'cable-starter-positive'], -2);
    for (const fault of REAL) {
      const prior = probabilityOf([], fault);
      const told = probabilityOf([good], fault);
      if (good.causes.some((cause) => cause.fault === fault)) expect(told).toBeLessThan(prior);
      else expect(told).toBe(prior);
    }
  });

  it('the order of the findings changes nothing that is told', () => {
    const findings = [
      findingOf(['battery-worn', ['battery-dead-cell', 0.9]], 2),
      findingOf(['battery-worn', 'starter-dragging', 'engine-drag'], 1.5),
      findingOf(['starter-dragging'], -1),
      findingOf(['engine-drag', 'accessory-seized'], 0.8),
    ];
    const told = (list: readonly Finding[]) =>
      new Map(rankFaults(list).map((entry) => [entry.fault, entry.probability]));
    const forwards = told(findings);
    fc.assert(
      fc.property(fc.shuffledSubarray(findings, { minLength: 4, maxLength: 4 }), (shuffled) => {
        for (const [fault, probability] of told(shuffled)) expect(probability).toBeCloseTo(forwards.get(fault)!, 2);
      }),
    );
  });

  it('lists the strongest evidence first, four lines at most, and none for what nobody suspects', () => {
    const many = [3, 0.4, 1.2, -0.5, 2, 0.05].map((weight) => findingOf(['battery-worn'], weight));
    const ranked = rankFaults(many);
    const worn = ranked.find(({ fault }) => fault === 'battery-worn')!;
    expect(worn.lines.map(({ weight }) => weight)).toEqual([3, 2, 1.2, -0.5]);
    expect(ranked.filter(({ probability }) => probability < 0.05).flatMap(({ lines }) => lines)).toEqual([]);
  });

  it('one ranking leaves nothing behind for the next', () => {
    const large = Array.from({ length: 90 }, (_, i) => findingOf(REAL.slice(i % 10, (i % 10) + 9), 1));
    const small = [findingOf(['belt-slip', 'alternator-weak'], 2)];
    const fresh = rankFaults(small);
    rankFaults(large);
    expect(rankFaults(small)).toEqual(fresh);
  });
});
