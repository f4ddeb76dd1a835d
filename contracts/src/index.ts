/** What client and server say to each other: request bodies as class-validator classes, answers as views. */
export { CaptureFound, NewCapture } from './captures';
export type { AlikeCapture, CaptureView } from './captures';
export { checkBody } from './check-body';
export type { BodyResult } from './check-body';
export type { Fitting } from './fits';
export { FigureQuery, figuresOf } from './figure-query';
export { FLOOR_PAGE, FLOOR_SORTS, FloorQuery, VEHICLES_PAGE, VehicleQuery } from './floor-query';
export type { FloorSort } from './floor-query';
export { importNote } from './import-note';
export { InstrumentBody, NewCheck } from './instruments';
export { JOB_STATUSES, JobChanges } from './job-changes';
export type { JobStatus } from './job-changes';
export { JobRecord, recordOf } from './job-record';
export { JobVehicle, NewJob, VehicleChanges } from './new-job';
export { NewRecording } from './new-recording';
export type { RecordedWaveform } from './new-recording';
export { NewObservation, NewReading, VoidReading } from './new-reading';
export {
  KEY_NAME_PREFIX,
  NO_KIND_PREFIX,
  AuditLogQuery,
  ChangeOver,
  DemoSignIn,
  NewPerson,
  OwnSecrets,
  PairPhone,
  PersonChanges,
  SHOP_ID,
  ShopChanges,
  SignIn,
} from './people';
export type {
  ActView,
  BackupsView,
  NobodyView,
  SessionState,
  OpenSessionView,
  OpenedPerson,
  PersonView,
  SessionKind,
  SessionView,
} from './people';
export { KEY_POSITIONS, LOAD_STEPS, SimulatedHands } from './simulated-hands';
export type { SimulatedVehicleView } from './simulated-hands';
export { PageQuery } from './page-query';
export { RoundCheck, RoundPlan, URGENCIES, VehicleUse } from './rounds';
export { URGENCY_WORDS, sheetWords } from './sheet-words';
export type { SheetWords } from './sheet-words';
export type { RoundVehicle, RoundView, SheetRow, Urgency } from './rounds';
export { ImportVehicles, MoveJobs } from './vehicles';
export type { HistoryVisit, ImportedRow, VehicleCaptureView, VehicleImportView, VehicleKindView } from './vehicles';
export { NewPracticeResult } from './practice';
export type { PracticeResultView, PracticedPerson } from './practice';
export { reportOf } from './report-of';
export * from './light';
export { NewSignOff, TAKEN_ACTIONS } from './sign-off';
export type { TakenAction } from './sign-off';
export { Acknowledge, StartTimer } from './timers';
export type {
  AcknowledgementView,
  FloorRow,
  ImportedSignOffView,
  SupersededSignOffView,
  ImportedView,
  InstrumentView,
  JobView,
  OutcomeView,
  PresentView,
  Problem,
  ShopView,
  SignOffView,
  TimerView,
  VehicleView,
  VisitView,
} from './views';
export { jobId, readingId, shopId } from './ids';
export type { JobId, ReadingId, ShopId } from './ids';
export { KEY_ROLES, NewApiKey, WEBHOOK_EVENTS, WebhookBody } from './open-interface';
export type { ApiKeyView, DeliveryView, KeyRole, NewApiKeyView, WebhookEvent, WebhookView } from './open-interface';
export type {
  ClockView,
  EndedSessionsView,
  HealthView,
  MoveView,
  PairingView,
  PastJudgementView,
  ShopSettingsView,
  StoredJudgementView,
  UndoneImportView,
} from './answers';
export { CheckCriteria, NewCriteria, UsualCriteria } from './criteria';
export type {
  ChangedVerdict,
  CheckedCriteriaView,
  CondemnedShare,
  CriteriaListView,
  CriteriaView,
  RejudgeProgress,
} from './criteria';
export { ImportMakerFigures, MakerFigures } from './maker-figures';
export type { ImportedFiguresView, MakerFiguresView } from './maker-figures';
export { NewOutcome, OutcomesQuery } from './outcomes';
export type { OutcomeJobView, OutcomesView } from './outcomes';
export { criteriaOfJob } from './criteria-of-job';
