/** Every step that the judge may ask for, with its waits: tests in working order, then observations. */
import type { ObservationName, StepName, TestName } from '../../format/names';
import type { Step } from '../../evidence/step';
import { OBSERVATION_NAMES, TESTS, TEST_NAMES, isTestName, stepOf } from '../../trade/tables';
import { usualSeconds } from '../../trade/waits';

export interface StepRow {
  readonly name: StepName;
  readonly row: Step;
  /** Minutes of the waits that belong to it. */
  readonly waitMinutes: number;
}

function waitMinutesOf(name: StepName): number {
  if (!isTestName(name)) return 0;
  const waits = TESTS[name].places[0].waits ?? [];
  return waits.reduce((sum, wait) => sum + usualSeconds(wait), 0) / 60;
}

export const STEP_ROWS: readonly StepRow[] = [...TEST_NAMES, ...OBSERVATION_NAMES].map((name) => ({
  name,
  row: stepOf(name)!,
  waitMinutes: waitMinutesOf(name),
}));

const BY_NAME: ReadonlyMap<StepName, StepRow> = new Map(STEP_ROWS.map((entry) => [entry.name, entry]));

/** @returns the row of a test or an observation. */
export const stepRowOf = (name: TestName | ObservationName): StepRow => BY_NAME.get(name)!;

/** Minutes of setting up that every step costs besides its own. */
export const SETTING_UP_MINUTES = 0.5;
