/** What a call rests on alone, read or seen once: worth a second look. */
import { notPossible } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import type { FaultName, ObservationName, TestName } from '../../format/names';
import type { Reading } from '../../format/reading-shape';
import { FAULTS, OBSERVATIONS, TESTS, isObservationName } from '../../trade/tables';
import type { Failure } from '../derive/failures';
import { stepRowOf } from '../propose/step-rows';
import type { StepRow } from '../propose/step-rows';

/** What was read or seen once and is worth a second look. */
export type Repeated = { readonly reading: Reading } | { readonly about: ObservationName; readonly finding: string };

/** @returns what the call rests on alone, each with the step that repeats it. */
export function singleWitnesses(
  called: FaultName,
  gradedCase: GradedCase,
  failing: readonly Failure[],
): readonly (readonly [StepRow, Repeated])[] {
  const read = failing
    .filter((failure) => failure.faults.includes(called) && isSingleWitness(failure, failing))
    .filter(({ reading }) => !notPossible(gradedCase, reading.test))
    .map(({ reading }) => [stepRowOf(reading.test), { reading }] as const);
  const about = FAULTS[called].where;
  if (!about || !isObservationName(about) || !OBSERVATIONS[about].isLooking) return read;
  const { case: subject, pass } = gradedCase;
  const seen = (subject.observations ?? []).filter((one) => one.about === about && (one.pass ?? 'before') === pass);
  return seen.length === 1 ? [...read, [stepRowOf(about), { about, finding: seen[0]!.finding }] as const] : read;
}

/** Straight across a fault, read once, and no other test that failed speaks of the same. */
const isSingleWitness = ({ reading, faults, isRepeated }: Failure, failing: readonly Failure[]): boolean =>
  !isRepeated &&
  faults.length > 0 &&
  !failing.some(
    (other) =>
      other.reading.test !== reading.test &&
      (other.faults.some((fault) => faults.includes(fault)) || isOfSamePart(other.reading.test, reading.test)),
  );

const isOfSamePart = (one: TestName, other: TestName): boolean =>
  TESTS[one].tellsOf !== undefined && TESTS[one].tellsOf === TESTS[other].tellsOf;
