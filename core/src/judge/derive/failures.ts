import type { FaultName } from '../../format/names';
import { PIECES, isPathTest } from '../../circuit/paths';
import { TESTS } from '../../trade/tables';
import { isFarOutside, isOutside } from '../../evidence/limit-of';
import { loadsOf } from '../../evidence/case-context';
import type { DerivedCase } from '../../evidence/derived-case';
import type { PathSolution } from '../../evidence/path-solution';
import type { Reading } from '../../format/reading-shape';

/** A valid reading outside its limit, and the faults it lies straight across; of many tests none. */
export interface Failure {
  readonly reading: Reading;
  readonly faults: readonly FaultName[];
  /** Further outside than a sound vehicle's spread reaches. */
  readonly isFar: boolean;
  /** It was read before and failed then too: it is no slip. */
  readonly isRepeated: boolean;
}

/** The newest reading of every test, of each battery and under each load by itself, that fails. */
export function failuresOf({ gradedCase, figures }: DerivedCase): readonly Failure[] {
  const failures: Failure[] = [];
  for (const readings of gradedCase.byTest.values()) {
    for (const reading of newestOfEach(readings)) {
      if (!isOutside(gradedCase, reading)) continue;
      const isRepeated = readings.some(
        (other) => other.id !== reading.id && isSameCase(other, reading) && isOutside(gradedCase, other),
      );
      const isFar = isFarOutside(gradedCase, reading);
      failures.push({ reading, faults: faultsOf(reading, figures.paths), isFar, isRepeated });
    }
  }
  return failures;
}

/** Of one test: the same battery under the same loads. */
const isSameCase = (a: Reading, b: Reading): boolean => a.battery === b.battery && loadsOf(a) === loadsOf(b);

/** The newest of each battery under each load; mostly there is one reading. */
function newestOfEach(readings: readonly Reading[]): readonly Reading[] {
  if (readings.length === 1) return readings[0]!.value === null ? [] : readings;
  return readings.filter(
    (reading, place) =>
      reading.value !== null &&
      !readings.slice(place + 1).some((later) => later.value !== null && isSameCase(later, reading)),
  );
}

function faultsOf({ test, id }: Reading, { rests }: PathSolution): readonly FaultName[] {
  if (!isPathTest(test)) return TESTS[test].direct ?? [];
  const rest = rests.find(({ reading }) => reading.id === id);
  // a whole whose measured part explains it speaks of the part
  const parts = (rest?.parts ?? []).flatMap((part) => rests.filter((entry) => entry.test === part));
  const own = [rest, ...parts].flatMap((entry) => entry?.pieces ?? []).map((piece) => PIECES[piece].fault);
  return [...new Set(own)];
}
