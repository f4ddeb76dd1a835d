/** Where in a path the fault is: the pieces that no reading of their own has told apart yet. */
import { PATH_TESTS, PIECES, pathOf } from '../../circuit/paths';
import type { PathTest, PieceName } from '../../circuit/paths';
import type { PathSolution } from '../../evidence/path-solution';
import type { GradedCase } from '../../evidence/case-context';
import { stepOf } from '../../trade/tables';
import { isOpen } from '../propose/is-open';
import type { FaultName } from '../../format/names';
import type { Failure } from '../derive/failures';

/** Of a reading this share must be left by its measured parts for the fault to lie in what is left. */
const MOSTLY_LEFT = 0.5;

/**
 * The pieces to work on.
 *
 * @param called The faults that are called together and as likely.
 * @returns their pieces in the paths that fail, less what a reading of its own explains; none where it is no piece of a path.
 */
export function placeOf(
  called: readonly FaultName[],
  { rests }: PathSolution,
  failing: readonly Failure[],
): readonly PieceName[] {
  const lists = failing
    .filter(({ faults }) => faults.some((fault) => called.includes(fault)))
    .flatMap(({ reading }) => rests.filter((rest) => rest.reading.id === reading.id))
    .filter(({ volts, reading }) => volts >= MOSTLY_LEFT * Math.abs(reading.value))
    .map(({ pieces }) => pieces.filter((piece) => called.includes(PIECES[piece].fault)))
    .filter((pieces) => pieces.length > 0);
  // several readings across the same fault: what lies in all of them
  const [first = [], ...others] = lists;
  const shared = first.filter((piece) => others.every((pieces) => pieces.includes(piece)));
  return shared.length > 0 ? shared : first;
}

/**
 * The drops that are still to be read and would tell these pieces apart, each across some of them and not all; those that
 * lie across other pieces too only where there is no other.
 */
export function narrowingTests(pieces: readonly PieceName[], gradedCase: GradedCase): readonly PathTest[] {
  if (pieces.length < 2) return [];
  const { loadedBy } = PIECES[pieces[0]!];
  const tests = PATH_TESTS.filter((test) => {
    const across = pieces.filter((piece) => pathOf(test).pieces.includes(piece)).length;
    const splits = across > 0 && across < pieces.length && pathOf(test).loadedBy === loadedBy;
    return splits && isOpen(test, stepOf(test)!, gradedCase);
  });
  const within = tests.filter((test) => pathOf(test).pieces.every((piece) => pieces.includes(piece)));
  return within.length > 0 ? within : tests;
}
