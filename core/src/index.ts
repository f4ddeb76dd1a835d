/**
 * The core: what the trade knows, in pure TypeScript.
 *
 * No DOM, no Node, no framework; nothing here knows who calls it. `format` is the open format, `trade` the things
 * of the trade, one file each, `criteria` the schools and the weights as data, `judge` the pipeline, `simulation`
 * the same circuit as a model, `words` every sentence. Limits are data, never numbers in code.
 */
export * from './battery/cranking-resistance';
export * from './battery/rating';
export * from './battery/sag-share';
export { namedLike } from './vehicle/named-like';
export * from './battery/state-of-charge';
export { limitsOf } from './criteria/criteria-set';
export { checkCriteria } from './criteria/check-criteria';
export type { CriteriaFault } from './criteria/check-criteria';
export { CRITERIA_FORMAT, criteriaMisfits, criteriaShape, ruleFields } from './criteria/criteria-shape';
export type { CriteriaDocument } from './criteria/criteria-shape';
export type { RuleField } from './criteria/rules/rule';
export { noteOf } from './criteria/limit-notes';
export { temperatureWords } from './criteria/limit-temperature';
export type { CriteriaSet, Limit } from './criteria/criteria-set';
export { FITTED_SPREADS } from './criteria/fitted-spreads';
export { STATED_SPREADS } from './criteria/spreads';
export { THRESHOLDS, WEIGHTS } from './criteria/weights';
export type { LimitRule } from './criteria/limit-rule';
export type { Costs } from './criteria/costs';
export { BALANCED_COSTS, COST_REASONS, weighedCosts } from './criteria/costs';
export { BALANCED, CAREFUL, HEAVY_DUTY, QUICK_CHECK, SCHOOLS, schoolById } from './criteria/schools';
export { LABEL_FIGURES } from './format/label-figures';
export { isSameDecision } from './format/same-decision';
export { CASE_FORMAT } from './format/case-format';
export { conditionFigure } from './format/reading-shape';
export type { BatteryLabel, Case, Rating, System } from './format/case-shape';
export type { Reading } from './format/reading-shape';
export type { Observation } from './format/observation-shape';
export { JUDGEMENT_FORMAT, judgementSchema, judgementShape } from './format/judgement-shape';
export type {
  BatteryVerdict,
  BudgetPiece,
  Decision,
  Derived,
  FaultEvidence,
  GradedReading,
  Judgement,
  NextStep,
  PartVerdict,
  RankedFault,
} from './format/judgement-shape';
export type { FaultName, ObservationName, StepName, TestName } from './format/names';
export { caseParts, caseShape, checkCase, readCase, readingShape, writeCase } from './trade/case-document';
export type { CaseResult } from './trade/case-document';
export { checkShape, list as listShape, number as numberShape } from './format/shape';
export type { Misfit, Wanted } from './format/misfit';
export type { Shape } from './format/shape';
export * from './format/words';
export { engineOf } from './judge/propose/visits';
export { TWO_LOOKS, isClearlySound } from './judge/clearly-sound';
export { cautionsOfStep } from './judge/next/cautions';
export { withSteadyMinutes } from './judge/next/told-minutes';
export { blockedSteps, stepMinutes } from './judge/next/prerequisites';
export type { Prerequisite } from './judge/next/prerequisites';
export { compareSchools } from './judge/compare/compare-schools';
export type { Disagreement, SchoolComparison } from './judge/compare/compare-schools';
export { halvePath } from './judge/derive/halve-path';
export type { HalvedPath, PathPart } from './judge/derive/halve-path';
export type { PathSolution, PieceEstimate } from './evidence/path-solution';
export { solvePaths } from './judge/derive/solve-paths';
export { solveSymmetric } from './judge/derive/solve-symmetric';
export type { ResolvedLimit } from './criteria/resolved-limit';
export type { Assessment } from './evidence/assessment';
export { countedReadings, isWhollyRead, triedReadings, unreadBatteries } from './evidence/counted';
export { decideCase, judgeCase } from './judge/judge';
export type { JudgedCase } from './judge/judge';
export { judge, judgeSurvey, nextStep } from './words/en/judgement';
export { openRepeats, repeatsOf, testsToRepeat } from './judge/compare/repeat-tests';
export type { RepeatedTest } from './judge/compare/repeat-tests';
export { batteryUnits, isTried, unitVolts } from './evidence/case-context';
export type { GradedCase } from './evidence/case-context';
export { assessCase, survey } from './judge/grade/survey';
export type { Survey } from './judge/grade/survey';
export { SHORTEST_CHARGE_MINUTES } from './evidence/charge';
export { askedBackOf } from './evidence/ask-back';
export { openQuestion } from './evidence/question';
export type { Answer, Question } from './evidence/question';
export { outsidePhysics } from './judge/void/physics';
export type { Impossible } from './judge/void/physics';
export { derive } from './judge/derive/derive';
export { disagreeing } from './judge/derive/health';
export { fuseCurrents } from './evidence/fuses';
export { fuseHealth } from './evidence/health';
export type { HealthWay } from './evidence/health';
export { findingsOf } from './judge/weigh';
export { captureOutline } from './profile/capture-outline';
export type { CaptureOutline, OutlinePoint } from './profile/capture-outline';
export { FOUR_NOTES } from './trade/four-notes';
export type { NoteName } from './trade/four-notes';
export { fourNoteProfile } from './profile/four-note-profile';
export type { Profile, ProfileNote } from './profile/four-note-profile';
export { joinedLevels } from './profile/joined-levels';
export { rulerScale } from './profile/ruler-scale';
export type { RulerScale } from './profile/ruler-scale';
export { voltStair } from './profile/volt-stair';
export type { VoltStair, VoltStep } from './profile/volt-stair';
export { PLAIN_FIGURES, figureFormat } from './quantities/figure-format';
export type { FigureChoice, FigureFormat } from './quantities/figure-format';
export { interpolate } from './quantities/interpolate';
export { likelySlip } from './quantities/likely-slip';
export type { Slip } from './quantities/likely-slip';
export { minutesOfWork } from './quantities/minutes-of-work';
export { instrumentAddress } from './instruments/instrument-address';
export { MAX_VEHICLE_ROWS, vehicleRowsShape } from './format/vehicle-row';
export { makerFigureRowsShape } from './trade/maker-figure-rows';
export type { VehicleRow } from './format/vehicle-row';
export { PRACTICE_HELPS, practiceResultShape } from './format/practice-result';
export type { PracticeHelp, PracticeResult } from './format/practice-result';
export type { InstrumentAddress } from './instruments/instrument-address';
export {
  INSTRUMENT_FUNCTIONS,
  INSTRUMENT_FUNCTION_NAMES,
  LIVE_CONDITIONS,
  functionOf,
  functionOfCondition,
} from './instruments/instrument-functions';
export type { InstrumentFunction, LiveCondition } from './instruments/instrument-functions';
export { NO_INSTRUMENT, parseIdentity } from './instruments/identity';
export { InstrumentDialogue } from './instruments/instrument-dialogue';
export type { InstrumentLine, LiveState } from './instruments/instrument-dialogue';
export { LineReader } from './instruments/line-reader';
export { LoadTiming } from './instruments/load-timing';
export type { LoadTimed } from './instruments/load-timing';
export { ReadWindow } from './instruments/read-window';
export type { WindowFigures } from './instruments/read-window';
export { KIND_FUNCTIONS } from './instruments/kind-functions';
export { parseScpiNumber } from './instruments/scpi-number';
export type { ScpiNumber } from './instruments/scpi-number';
export { LOST_MS, MAX_AGE_MS, STEADY_MS, Steadiness } from './instruments/steadiness';
export type { Standing } from './instruments/steadiness';
export { brokenJson } from './format/broken-json';
export { parseEntry } from './quantities/parse-entry';
export type { Entry, EntryFault, EntryUnit } from './quantities/parse-entry';
export * from './quantities/temperature';
export { engineFromName } from './vehicle/engine-from-name';
export { CLAMP_SCALES_MV_PER_A, clampAmps, crankingRpm } from './quantities/worked-out';
export { reportDocument } from './report/report-document';
export type { ReportDocument, ReportReading, ReportSignOff } from './report/report-shape';
export { isReplaced } from './judge/rank/part-of';
export { ruledOutCauses } from './report/ruled-out';
export { settlingReading } from './report/settled';
export type { Settled } from './report/settled';
export * from './simulation';
export { CAPTURE_TESTS, isCaptureTest } from './format/capture-tests';
export { CAUTIONS, CAUTION_NAMES } from './evidence/cautions';
export type { CautionName } from './evidence/cautions';
export { CONDITIONS } from './format/conditions';
export type { ConditionName, ReadingConditions } from './format/conditions';
export { EXCUSES } from './trade/excuses';
export { PATHS, PATH_TESTS, PIECES, PIECE_NAMES, isPathTest, pathOf } from './circuit/paths';
export type { PathTest, PieceName } from './circuit/paths';
export { SIGNAL_PIECES } from './circuit/start-signal';
export type { SignalPiece } from './circuit/start-signal';
export { CLAMP_PLACES, TEST_POINTS } from './circuit/points';
export type { ClampPlace, Flow, LeadPlacing, TestPoint } from './circuit/points';
export { ROUTE } from './trade/bench-route';
export type { ActStep, ObservationStep, ReadingStep, RouteSection, RouteStep } from './trade/bench-route';
export {
  INSTRUMENTS,
  INSTRUMENT_KINDS,
  checksOf,
  findingsShape,
  isGoodCheck,
  uncertaintyShape,
} from './trade/instruments';
export type { CheckFindings, InstrumentKind, Uncertainty } from './trade/instruments';
export { labelDoubt } from './criteria/label-check';
export { SYMPTOMS, SYMPTOM_NAMES } from './trade/symptoms';
export type { SymptomName } from './trade/symptoms';
export * from './trade/tables';
export type { TestUnit } from './trade/test';
export { TICKS } from './trade/ticks';
export type { TickName } from './trade/ticks';
export { MENDED_BY } from './trade/parts';
export * from './trade/waits';
export { waitsEndedBy } from './trade/ended-waits';
export { readBatteryLabel } from './vehicle/battery-label';
export type { LabelText } from './vehicle/battery-label';
export { readVin } from './vehicle/vin';
export type { VinResult } from './vehicle/vin';
export { CORE_VERSION } from './version';
export { CHEMISTRY_WORDS, batteryLabelWords } from './words/en/battery-label';
export { VERDICT_WORDS, customerWords, decisionTone, decisionWords, headline, signedWords } from './words/en/decisions';
export type { DecisionTone, SignedDecision } from './words/en/decisions';
export { planWords } from './words/en/plan';
export { GLOSSARY } from './words/en/glossary';
export { derivedWords } from './words/en/derived';
export { describeLeads } from './words/en/leads';
export { allowedWords, describeMisfits, misfitWords } from './words/en/misfits';
export { limitKey, limitWords, reasonWords, whenWords } from './words/en/limits';
export { PART_WORDS, WAYS, capital, nameOf, stepName } from './words/en/names';
export { methodWords, notPossibleWords, readingWords } from './words/en/readings';
export { ENGLISH, englishVoice, phraseTables, retell } from './words/en/voice';
export { messageOf, storedMessage } from './format/message';
export type { Message, StoredMessage, Voice } from './format/message';
export { DUE_BY, checkDue } from './vehicle/check-due';
export type { CheckDue, CheckHistory, CheckInterval, DueBy, UseReading } from './vehicle/check-due';
