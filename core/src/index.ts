/**
 * The core: what the trade knows, in pure TypeScript.
 *
 * No DOM, no Node, no framework; nothing here knows who calls it. `case` is the open format,
 * `quantities` and `battery` the arithmetic, `criteria` the schools as data, `judgement` the judge,
 * `profile` the geometry of the four-note profile. Limits are data, never numbers in code.
 */
export * from './battery/cranking-resistance';
export * from './battery/rating';
export * from './battery/state-of-charge';
export { CASE_FORMAT, caseParts, caseShape, readingShape } from './case/case-shape';
export type { BatteryLabel, Case, Observation, Rating, Reading, ReadingConditions, System } from './case/case-shape';
export { JUDGEMENT_FORMAT, STEP_NAMES, judgementSchema, judgementShape } from './case/judgement-shape';
export type {
  BudgetPiece,
  Decision,
  Derived,
  FaultEvidence,
  GradedReading,
  Judgement,
  NextStep,
  PartVerdict,
  RankedFault,
  StepName,
} from './case/judgement-shape';
export { CLAMP_PLACES, LEADS, TEST_POINTS, describeLeads } from './circuit/test-points';
export type { ClampPlace, LeadPlacing, TestPoint } from './circuit/test-points';
export { halvePath } from './circuit/halve-path';
export type { HalvedPath, PathPiece } from './circuit/halve-path';
export { checkCase, describeMisfits, readCase, writeCase } from './case/read-case';
export type { CaseResult } from './case/read-case';
export type { Misfit, Shape } from './case/shape';
export * from './case/vocabulary';
export type { CriteriaSet, Limit, LimitRule } from './criteria/criteria-set';
export { BALANCED, CAREFUL, HEAVY_DUTY, QUICK_CHECK, SCHOOLS, schoolById } from './criteria/schools';
export { assess, showValue } from './judgement/assess';
export type { Assessment } from './judgement/assess';
export { CAUTIONS, CAUTION_NAMES, cautionsOfStep } from './judgement/cautions';
export type { CautionName } from './judgement/cautions';
export { blockedSteps, stepMinutes } from './judgement/comes-first';
export type { ComesFirst } from './judgement/comes-first';
export { WHY_AGAIN, openRepeats, testsToRepeat } from './judgement/repeat-tests';
export type { RepeatedTest } from './judgement/repeat-tests';
export { compareSchools } from './judgement/compare-schools';
export type { Disagreement, SchoolComparison } from './judgement/compare-schools';
export { assessCase, judge } from './judgement/judge';
export { outsidePhysics } from './judgement/physics';
export type { Impossible } from './judgement/physics';
export type { ResolvedLimit } from './judgement/resolve-limit';
export { VERDICT_WORDS, decisionTone, decisionWords } from './report/decision-words';
export { customerWords } from './report/customer-words';
export { reportDocument } from './report/report-document';
export type { ReportDocument, ReportReading, ReportSignOff } from './report/report-document';
export { derivedWords } from './report/derived-words';
export { methodWords } from './report/method-words';
export { readBatteryLabel } from './vehicle/battery-label';
export type { LabelText } from './vehicle/battery-label';
export { readVin } from './vehicle/vin';
export type { VinResult } from './vehicle/vin';
export * from './waiting/waits';
export { nameOf, stepName } from './judgement/wording';
export { fourNoteProfile } from './profile/four-note-profile';
export type { Profile, ProfileNote } from './profile/four-note-profile';
export * from './quantities/format';
export { interpolate } from './quantities/interpolate';
export { likelySlip } from './quantities/likely-slip';
export type { Slip } from './quantities/likely-slip';
export { CLAMP_SCALES_MV_PER_A, clampAmps, crankingRpm } from './quantities/worked-out';
export { parseEntry } from './quantities/parse-entry';
export type { Entry, EntryFault, EntryUnit } from './quantities/parse-entry';
export * from './quantities/temperature';
export * from './simulation';
export { CORE_VERSION } from './version';
