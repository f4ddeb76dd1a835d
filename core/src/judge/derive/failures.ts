import type { FaultName } from '../../format/names';
import { PIECES, isPathTest } from '../../circuit/paths';
import type { PieceName } from '../../circuit/paths';
import { TESTS } from '../../trade/tables';
import { isFarOutside, isOutside, timesItsLimit } from '../../evidence/limit-of';
import { loadsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import type { DerivedCase } from '../../evidence/derived-case';
import type { PathRest, PathSolution } from '../../evidence/path-solution';
import type { Reading } from '../../format/reading-shape';

/** A valid reading outside its limit, and the faults it lies straight across; of many tests none. */
export interface Failure {
  readonly reading: Reading;
  readonly faults: readonly FaultName[];
  /** Further outside than a sound vehicle's spread reaches. */
  readonly isFar: boolean;
  /** How many times its limit it is; of a lower limit how many times it lies in that. */
  readonly times: number;
  /** It was read before and failed then too: it is no slip. */
  readonly isRepeated: boolean;
}

/** The newest reading of every test, of each battery and under each load by itself, that fails. */
export function failuresOf({ gradedCase, figures }: DerivedCase): readonly Failure[] {
  const failures: Failure[] = [];
  for (const readings of gradedCase.byTest.values()) {
    for (const reading of newestOfEach(readings)) {
      if (!fails(gradedCase, reading)) continue;
      const isRepeated = readings.some(
        (other) => other.id !== reading.id && isSameCase(other, reading) && fails(gradedCase, other),
      );
      const isFar = isFarOutside(gradedCase, reading);
      const times = timesOf(gradedCase, reading);
      failures.push({ reading, faults: faultsOf(reading, figures.paths), isFar, times, isRepeated });
    }
  }
  return failures;
}

const timesOf = (gradedCase: GradedCase, reading: Reading): number =>
  TESTS[reading.test].timesLimit?.(reading, gradedCase) ?? timesItsLimit(gradedCase, reading) ?? 0;

/** Outside its limit, or where it has none of its own over that of what it tells of. */
const fails = (gradedCase: GradedCase, reading: Reading): boolean =>
  isOutside(gradedCase, reading) || (TESTS[reading.test].timesLimit?.(reading, gradedCase) ?? 0) > 1;

/** Of one test: the same battery or fuse under the same loads. */
const isSameCase = (a: Reading, b: Reading): boolean =>
  a.battery === b.battery && a.conditions?.fuse === b.conditions?.fuse && loadsOf(a) === loadsOf(b);

/** The newest of each battery or fuse under each load; mostly there is one reading. */
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
  return rest ? [...new Set(piecesOf(rest, rests).map((piece) => PIECES[piece].fault))] : [];
}

/** Its own pieces and those of its parts: a whole whose measured part explains it speaks of the part. */
const piecesOf = ({ pieces, parts }: PathRest, rests: readonly PathRest[]): readonly PieceName[] => [
  ...pieces,
  ...rests.filter(({ test }) => parts.includes(test)).flatMap((part) => piecesOf(part, rests)),
];
