/** Which tests tell of which faults, in one table for both kinds of page. */
import type { FaultName, TestName } from '../format/names';
import { FAULT_NAMES, TESTS, TEST_NAMES } from '../trade/tables';

/** A test that takes less than this share of a doubt away is not worth naming. */
const TELLS_FROM = 0.3;

/** That a test tells of a fault. */
export interface Telling {
  readonly test: TestName;
  readonly fault: FaultName;
  /** It lies straight across the fault: outside its limit it is proof by itself. */
  readonly isDirect: boolean;
}

/** Every pair, what lies straight across first, then by the share of the doubt that it takes away. */
const TELLINGS: readonly Telling[] = /* @__PURE__ */ tellings();

function tellings(): readonly Telling[] {
  const pairs = TEST_NAMES.flatMap((test) => {
    const { direct = [], step } = TESTS[test];
    return FAULT_NAMES.map((fault) => {
      const isDirect = direct.includes(fault);
      const share = step.informs.find(([known]) => known === fault)?.[1] ?? 0;
      return { test, fault, isDirect, strength: isDirect ? 1 + share : share };
    });
  });
  return pairs.filter(({ strength }) => strength >= TELLS_FROM).sort((a, b) => b.strength - a.strength);
}

export const faultsOf = (test: TestName): readonly Telling[] => TELLINGS.filter((one) => one.test === test);
export const testsOf = (fault: FaultName): readonly Telling[] => TELLINGS.filter((one) => one.fault === fault);
