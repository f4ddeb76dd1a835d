/**
 * The trade's files as the tables that everything else reads: in working order, with the types of their names.
 *
 * Nothing is written here by hand. The indexes list the folders; order, route, vocabulary and checks follow.
 */
import type { FaultName, ObservationName, StepName, TestName } from '../format/names';
import { FAULT_FILES } from './faults';
import type { Fault } from './fault';
import { OBSERVATION_FILES } from './observations';
import type { ObservationKind } from './observation';
import { ROUTE_GROUPS } from './route';
import type { Place } from './route';
import { normalizeRecordShape } from './normalize-record-shape';
import type { Step } from '../evidence/step';
import { TEST_FILES } from './tests';
import type { Test } from './test';

export const TESTS: Readonly<Record<TestName, Test>> = /* @__PURE__ */ normalizeRecordShape(TEST_FILES);
export const OBSERVATIONS: Readonly<Record<ObservationName, ObservationKind>> = /* @__PURE__ */ normalizeRecordShape<
  ObservationName,
  ObservationKind
>(OBSERVATION_FILES);
export const FAULTS: Readonly<Record<FaultName, Fault>> = /* @__PURE__ */ normalizeRecordShape<FaultName, Fault>(
  FAULT_FILES,
);

const orderOf = ({ group, at }: Place): number => ROUTE_GROUPS.indexOf(group) * 100 + at;

/** Tests in working order. */
export const TEST_NAMES: readonly TestName[] = (Object.keys(TEST_FILES) as TestName[]).sort(
  (a, b) => orderOf(TESTS[a].places[0]) - orderOf(TESTS[b].places[0]),
);
/** Observations in working order. */
export const OBSERVATION_NAMES: readonly ObservationName[] = (Object.keys(OBSERVATION_FILES) as ObservationName[]).sort(
  (a, b) => orderOf(OBSERVATIONS[a].place) - orderOf(OBSERVATIONS[b].place),
);
/** Faults by name; `none` is the last. */
export const FAULT_NAMES: readonly FaultName[] = (Object.keys(FAULT_FILES) as FaultName[]).sort((a, b) =>
  a === 'none' ? 1 : b === 'none' ? -1 : a < b ? -1 : 1,
);
/** What may be asked for next. */
export const STEP_NAMES: readonly StepName[] = [...TEST_NAMES, ...OBSERVATION_NAMES, 'charge', 'label'];

const TEST_SET: ReadonlySet<string> = new Set(TEST_NAMES);
const OBSERVATION_SET: ReadonlySet<string> = new Set(OBSERVATION_NAMES);
const STEPS: ReadonlyMap<StepName, Step> = new Map<StepName, Step>([
  ...TEST_NAMES.map((name) => [name, TESTS[name].step] as const),
  ...OBSERVATION_NAMES.map((name) => [name, OBSERVATIONS[name].step] as const),
]);

/** True for the name of a test of the format. */
export const isTestName = (name: string): name is TestName => TEST_SET.has(name);
/** True for the name of an observation of the format. */
export const isObservationName = (name: string): name is ObservationName => OBSERVATION_SET.has(name);

/** What the judge knows of a step; null for the charge and the label, which are acts. */
export const stepOf = (name: StepName): Step | null => STEPS.get(name) ?? null;
