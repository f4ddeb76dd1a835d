/**
 * What must be read before a vehicle is called sound, by what it came in for. Nothing found is a claim too: a test that
 * was not possible is said to be missing, never taken as passed. Who asks for what stands with each test and
 * observation (docs/judging.md, “Nothing found”).
 */
import { latestUnder, readingsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { isJudged } from '../../evidence/limit-of';
import type { StepName, TestName } from '../../format/names';
import type { SymptomName } from '../../format/words';
import type { Requirement } from '../../trade/required';
import { SYMPTOMS } from '../../trade/symptoms';
import type { SymptomKind } from '../../trade/symptoms';
import { OBSERVATIONS, OBSERVATION_NAMES, TESTS, TEST_NAMES } from '../../trade/tables';
import { missingUnits } from './missing-units';

/** One thing that must be known: any one of its steps tells it. */
export interface MustBeRead {
  readonly anyOf: readonly StepName[];
  /** Only under these loads. */
  readonly loads?: 'on' | 'off' | undefined;
}

/** A requirement with the step that meets it. */
interface Entry extends Requirement {
  readonly step: StepName;
}

/** Every requirement in working order. */
const ENTRIES: readonly Entry[] = [
  ...TEST_NAMES.flatMap((step) => TESTS[step].required.map((entry) => ({ step, ...entry }))),
  ...OBSERVATION_NAMES.flatMap((step) => OBSERVATIONS[step].required.map((entry) => ({ step, ...entry }))),
];

/** Requirements that any one step meets, the first choice first. */
interface Group {
  readonly loads: MustBeRead['loads'];
  readonly entries: readonly Entry[];
}

/** Steps that tell the same, under the same loads, are one group. */
function groupsOf(entries: readonly Entry[]): readonly Group[] {
  const groups = new Map<string, Entry[]>();
  for (const entry of entries) {
    const key = `${entry.as ?? entry.step} ${entry.loads ?? ''}`;
    groups.set(key, [...(groups.get(key) ?? []), entry]);
  }
  return [...groups.values()].map((own) => ({
    loads: own[0]!.loads,
    entries: own.toSorted((a, b) => (a.choice ?? 1) - (b.choice ?? 1)),
  }));
}
const GROUPS = groupsOf(ENTRIES);

/** Everything that must be known of this vehicle before nothing may be found. */
export function mustBeRead(gradedCase: GradedCase): readonly MustBeRead[] {
  const { symptoms = [], partsAlreadyReplaced = [] } = gradedCase.case.complaint ?? {};
  const kinds = new Set<SymptomKind>(symptoms.flatMap((symptom) => SYMPTOMS[symptom].kinds));
  if (kinds.size === 0 || partsAlreadyReplaced.length > 0) kinds.add('none');
  const asked: MustBeRead[] = [];
  for (const { loads, entries } of GROUPS) {
    const anyOf: StepName[] = [];
    for (const entry of entries)
      if (isAsked(entry, kinds, symptoms) && (!entry.when || entry.when(gradedCase)) && !anyOf.includes(entry.step))
        anyOf.push(entry.step);
    if (anyOf.length > 0) asked.push({ anyOf, loads });
  }
  return asked;
}

const isAsked = (
  { by, bySymptoms }: Requirement,
  kinds: ReadonlySet<SymptomKind>,
  symptoms: readonly SymptomName[],
): boolean =>
  by?.some((kind) => kinds.has(kind)) === true || bySymptoms?.some((symptom) => symptoms.includes(symptom)) === true;

function isJudgedUnder(test: TestName, loads: 'off' | 'on', gradedCase: GradedCase): boolean {
  const reading = latestUnder(gradedCase, test, loads);
  return reading !== undefined && isJudged(gradedCase, reading);
}

/** True where the thing is known: read, not void and not only noted (of a pack on every battery), or seen. */
export const isRead = ({ anyOf, loads }: MustBeRead, gradedCase: GradedCase): boolean =>
  anyOf.some((step) => {
    if (gradedCase.observed.has(step as never)) return true;
    const test = step as TestName;
    return loads === undefined
      ? readingsOf(gradedCase, test).some((reading) => reading.value !== null && isJudged(gradedCase, reading)) &&
          missingUnits(test, gradedCase).length === 0
      : isJudgedUnder(test, loads, gradedCase);
  });
