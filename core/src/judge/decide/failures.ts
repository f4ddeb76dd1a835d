import type { FaultName } from '../../format/names';
import { PIECES, isPathTest } from '../../trade/paths';
import { TESTS } from '../../trade/tables';
import { isOutside } from '../grade/limit-of';
import type { Situation } from '../situation';
import type { Reading } from '../../format/case-shape';

/** A valid reading outside its limit, and the faults it lies straight across; of many tests none. */
export interface Failure {
  readonly reading: Reading;
  readonly faults: readonly FaultName[];
  /** It was read before and failed then too: it is no slip. */
  readonly isRepeated: boolean;
}

/** The newest reading of every test, of each battery by itself, that fails. */
export function failuresOf(situation: Situation): readonly Failure[] {
  const failures: Failure[] = [];
  for (const readings of situation.byTest.values()) {
    for (const reading of newestOfEach(readings)) {
      if (!isOutside(situation, reading)) continue;
      const isRepeated = readings.some(
        (other) => other.id !== reading.id && other.battery === reading.battery && isOutside(situation, other),
      );
      failures.push({ reading, faults: faultsOf(reading, situation), isRepeated });
    }
  }
  return failures;
}

/** The newest of each battery; mostly there is one reading. */
function newestOfEach(readings: readonly Reading[]): Iterable<Reading> {
  if (readings.length === 1) return readings[0]!.value === null ? [] : readings;
  const newest = new Map<number | undefined, Reading>();
  for (const reading of readings) if (reading.value !== null) newest.set(reading.battery, reading);
  return newest.values();
}

function faultsOf({ test, id }: Reading, situation: Situation): readonly FaultName[] {
  if (!isPathTest(test)) return TESTS[test].direct ?? [];
  const rest = situation.paths().rests.find(({ reading }) => reading.id === id);
  // a whole whose measured part explains it speaks of the part
  const parts = (rest?.parts ?? []).flatMap((part) => situation.paths().rests.filter((entry) => entry.test === part));
  const own = [rest, ...parts].flatMap((entry) => entry?.pieces ?? []).map((piece) => PIECES[piece].fault);
  return [...new Set(own)];
}
