/** The types of what is answered, by the names under which operations and the OpenAPI document tell them. */
import type { Case } from '@tetrad/core';
import type {
  ClockView,
  EndedSessionsView,
  HealthView,
  MoveView,
  PairingView,
  PastJudgementView,
  ShopSettingsView,
  StoredJudgementView,
  UndoneImportView,
} from '../answers';
import type { AlikeCapture, CaptureView } from '../captures';
import type { CheckedCriteriaView, CriteriaListView, CriteriaView } from '../criteria';
import type { ImportedFiguresView, MakerFiguresView } from '../maker-figures';
import type { ApiKeyView, DeliveryView, NewApiKeyView, WebhookView } from '../open-interface';
import type { OutcomesView } from '../outcomes';
import type {
  ActView,
  BackupsView,
  OpenSessionView,
  OpenedPerson,
  PersonView,
  SessionState,
  SessionView,
} from '../people';
import type { PracticeResultView, PracticedPerson } from '../practice';
import type { RecordedWaveform } from '../new-recording';
import type { RoundVehicle, RoundView, SheetRow } from '../rounds';
import type { SimulatedVehicleView } from '../simulated-hands';
import type { HistoryVisit, VehicleCaptureView, VehicleImportView, VehicleKindView } from '../vehicles';
import type { FloorRow, InstrumentView, JobView, VehicleView, VisitView } from '../views';

export interface AnswerTypes {
  readonly ActView: ActView;
  readonly AlikeCapture: AlikeCapture;
  readonly ApiKeyView: ApiKeyView;
  readonly BackupsView: BackupsView;
  readonly CaptureView: CaptureView;
  readonly Case: Case;
  readonly CheckedCriteriaView: CheckedCriteriaView;
  readonly ClockView: ClockView;
  readonly CriteriaListView: CriteriaListView;
  readonly CriteriaView: CriteriaView;
  readonly DeliveryView: DeliveryView;
  readonly EndedSessionsView: EndedSessionsView;
  readonly FloorRow: FloorRow;
  readonly HealthView: HealthView;
  readonly HistoryVisit: HistoryVisit;
  readonly ImportedFiguresView: ImportedFiguresView;
  readonly InstrumentView: InstrumentView;
  readonly JobView: JobView;
  readonly MakerFiguresView: MakerFiguresView;
  readonly MoveView: MoveView;
  readonly NewApiKeyView: NewApiKeyView;
  readonly OpenSessionView: OpenSessionView;
  readonly OpenedPerson: OpenedPerson;
  readonly OutcomesView: OutcomesView;
  readonly PairingView: PairingView;
  readonly PastJudgementView: PastJudgementView;
  readonly PersonView: PersonView;
  readonly PracticeResultView: PracticeResultView;
  readonly PracticedPerson: PracticedPerson;
  readonly RecordedWaveform: RecordedWaveform;
  readonly RoundVehicle: RoundVehicle;
  readonly RoundView: RoundView;
  readonly SessionView: SessionView;
  readonly SessionState: SessionState;
  readonly SheetRow: SheetRow;
  readonly ShopSettingsView: ShopSettingsView;
  readonly SimulatedVehicleView: SimulatedVehicleView;
  readonly StoredJudgementView: StoredJudgementView;
  readonly UndoneImportView: UndoneImportView;
  readonly VehicleCaptureView: VehicleCaptureView;
  readonly VehicleImportView: VehicleImportView;
  readonly VehicleKindView: VehicleKindView;
  readonly VehicleView: VehicleView;
  readonly VisitView: VisitView;
  readonly WebhookView: WebhookView;
}
