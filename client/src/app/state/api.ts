import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { EMPTY, expand, map, scan } from 'rxjs';
import type {
  CheckCriteria,
  CheckedCriteriaView,
  CriteriaListView,
  CriteriaView,
  NewCriteria,
} from '@tetrad/contracts';
import type { ApiKeyView, DeliveryView, NewApiKey, NewApiKeyView, WebhookBody, WebhookView } from '@tetrad/contracts';
import type { Observable } from 'rxjs';
import type {
  ActView,
  BackupsView,
  ChangeOver,
  FloorRow,
  HistoryVisit,
  ImportVehicles,
  InstrumentBody,
  InstrumentView,
  JobStatus,
  JobView,
  MoveJobs,
  NewCheck,
  NewPerson,
  NewRecording,
  OpenSessionView,
  OpenedPerson,
  OwnSecrets,
  PersonChanges,
  PersonView,
  PracticeResultView,
  PracticedPerson,
  RoundPlan,
  RoundVehicle,
  RoundView,
  SheetRow,
  VehicleUse,
  SessionView,
  OutcomesView,
  ImportMakerFigures,
  ImportedFiguresView,
  MakerFigures,
  MakerFiguresView,
  ShopChanges,
  SimulatedHands,
  SimulatedVehicleView,
  SignIn,
  VehicleChanges,
  VehicleCaptureView,
  VehicleImportView,
  VehicleKindView,
  VehicleView,
  VisitView,
} from '@tetrad/contracts';
import type { Case, PracticeResult } from '@tetrad/core';
import { deviceId } from '../device/device-id';
import { requestOf } from '../outbox/outbox-item';
import type { OutboxItem } from '../outbox/outbox-item';
import { nextPage } from './next-page';
import { idempotencyHeader } from './idempotent-writes';

const FIRST_PAGE = 30;
const NEXT_PAGES = 300;
const NEXT_SHEETS = 500;

export interface FloorPage {
  readonly rows: readonly FloorRow[];
  /** Address of the next page; null where this was the last. */
  readonly next: string | null;
}

export interface RoundVehiclePage {
  readonly rows: readonly RoundVehicle[];
  readonly next: string | null;
}
export interface VehiclePage {
  readonly rows: readonly VehicleView[];
  readonly next: string | null;
}

/** The server's addresses. */
@Injectable({ providedIn: 'root' })
export class Api {
  readonly #http = inject(HttpClient);

  session(): Observable<SessionView> {
    return this.#http.get<SessionView>('/api/session');
  }
  signIn(body: SignIn): Observable<SessionView> {
    return this.#http.post<SessionView>('/api/session', body);
  }
  signOut(): Observable<void> {
    return this.#http.delete<void>('/api/session');
  }
  /** In the demo, a made-up technician; of the first shop where none is named. */
  demo(shop: string | null): Observable<SessionView> {
    return this.#http.post<SessionView>('/api/session/demo', shop === null ? {} : { shop });
  }
  /** A phone takes its place beside a job. */
  pair(key: string): Observable<SessionView> {
    return this.#http.post<SessionView>('/api/session/phone', { key });
  }
  changeOver(body: ChangeOver): Observable<SessionView> {
    return this.#http.post<SessionView>('/api/session/change-over', body);
  }
  changeSecrets(body: OwnSecrets): Observable<SessionView> {
    return this.#http.put<SessionView>('/api/session/secrets', body);
  }
  /** A key for the phone at the wheel, good once. */
  pairingKey(shop: string, job: string): Observable<{ readonly key: string }> {
    return this.#http.post<{ key: string }>(`/api/shops/${shop}/jobs/${job}/pairings`, {});
  }
  people(shop: string): Observable<readonly PersonView[]> {
    return this.#http.get<readonly PersonView[]>(`/api/shops/${shop}/people`);
  }
  addPerson(shop: string, body: NewPerson): Observable<OpenedPerson> {
    return this.#http.post<OpenedPerson>(`/api/shops/${shop}/people`, body);
  }
  changePerson(shop: string, id: string, body: PersonChanges): Observable<PersonView> {
    return this.#http.patch<PersonView>(`/api/shops/${shop}/people/${id}`, body);
  }
  newPassword(shop: string, id: string): Observable<OpenedPerson> {
    return this.#http.post<OpenedPerson>(`/api/shops/${shop}/people/${id}/one-time-password`, {});
  }
  endSessions(shop: string, id: string): Observable<{ readonly ended: number }> {
    return this.#http.post<{ ended: number }>(`/api/shops/${shop}/people/${id}/end-sessions`, {});
  }
  openSessions(shop: string, id: string): Observable<readonly OpenSessionView[]> {
    return this.#http.get<readonly OpenSessionView[]>(`/api/shops/${shop}/people/${id}/sessions`);
  }
  endSession(shop: string, id: string, session: string): Observable<void> {
    return this.#http.delete<void>(`/api/shops/${shop}/people/${id}/sessions/${session}`);
  }
  makerFigures(shop: string): Observable<readonly MakerFiguresView[]> {
    return this.#http.get<readonly MakerFiguresView[]>(`/api/shops/${shop}/maker-figures`);
  }
  putMakerFigures(shop: string, id: string, body: MakerFigures): Observable<MakerFiguresView> {
    return this.#http.put<MakerFiguresView>(`/api/shops/${shop}/maker-figures/${id}`, body);
  }
  removeMakerFigures(shop: string, id: string): Observable<void> {
    return this.#http.delete<void>(`/api/shops/${shop}/maker-figures/${id}`);
  }
  importMakerFigures(shop: string, body: ImportMakerFigures): Observable<ImportedFiguresView> {
    return this.#http.post<ImportedFiguresView>(`/api/shops/${shop}/maker-figure-imports`, body);
  }
  /** What became of the jobs signed off from one day to another, both counted. */
  outcomes(shop: string, period: { readonly from: string; readonly to: string }): Observable<OutcomesView> {
    return this.#http.get<OutcomesView>(`/api/shops/${shop}/outcomes`, { params: { ...period } });
  }
  /** What whoever is signed in practiced. */
  practiced(shop: string): Observable<readonly PracticeResultView[]> {
    return this.#http.get<readonly PracticeResultView[]>(`/api/shops/${shop}/practice/results`);
  }
  keepPractice(shop: string, id: string, result: PracticeResult): Observable<void> {
    return this.#http.put<void>(`/api/shops/${shop}/practice/results/${id}`, { result });
  }
  practiceClass(shop: string): Observable<readonly PracticedPerson[]> {
    return this.#http.get<readonly PracticedPerson[]>(`/api/shops/${shop}/practice/class`);
  }
  simulatedVehicle(shop: string, hands: SimulatedHands): Observable<SimulatedVehicleView> {
    return this.#http.post<SimulatedVehicleView>(`/api/shops/${shop}/simulated-vehicle`, hands);
  }
  zeroInstrument(shop: string, instrument: string): Observable<void> {
    return this.#http.post<void>(`/api/shops/${shop}/instruments/${instrument}/zero`, {});
  }
  /** Answers with the capture once the recorder has triggered and recorded; unsubscribing gives it up. */
  record(shop: string, instrument: string, settings: NewRecording): Observable<object> {
    return this.#http.post<object>(`/api/shops/${shop}/instruments/${instrument}/recordings`, settings);
  }
  shopSettings(shop: string): Observable<ShopChanges> {
    return this.#http.get<ShopChanges>(`/api/shops/${shop}/settings`);
  }
  changeShop(shop: string, body: ShopChanges): Observable<ShopChanges> {
    return this.#http.put<ShopChanges>(`/api/shops/${shop}/settings`, body);
  }
  backups(shop: string): Observable<BackupsView> {
    return this.#http.get<BackupsView>(`/api/shops/${shop}/backups`);
  }
  acts(shop: string, before: number | null): Observable<readonly ActView[]> {
    return this.#http.get<readonly ActView[]>(`/api/shops/${shop}/acts`, { params: before === null ? {} : { before } });
  }

  /** A page of the floor. @param address Of the next page, as the one before told it; null for the first. */
  floorPage(shop: string, status: JobStatus, address: string | null): Observable<FloorPage> {
    const first = `/api/shops/${shop}/jobs?status=${status}&limit=${FIRST_PAGE}`;
    return this.#http.get<readonly FloorRow[]>(address ?? first, { observe: 'response' }).pipe(
      map(({ body, headers }) => ({
        rows: body ?? [],
        // the first page is short, so that it is there at once; the others are long
        next: nextPage(headers.get('Link'), NEXT_PAGES),
      })),
    );
  }
  /** Rows of the floor that hold these words in vehicle, plate, VIN or who has the job. */
  floorFound(shop: string, status: JobStatus, find: string): Observable<readonly FloorRow[]> {
    return this.#http.get<readonly FloorRow[]>(`/api/shops/${shop}/jobs`, {
      params: { status, find, limit: NEXT_PAGES },
    });
  }
  /** Some rows of the floor, whatever their status. */
  floorRows(shop: string, ids: readonly string[]): Observable<readonly FloorRow[]> {
    return this.#http.get<readonly FloorRow[]>(`/api/shops/${shop}/jobs`, { params: { ids: ids.join(',') } });
  }
  job(shop: string, id: string): Observable<JobView> {
    return this.#http.get<JobView>(`/api/shops/${shop}/jobs/${id}`);
  }
  /** The newest vehicles that hold these words in name, plate or VIN; a page of them. */
  vehicles(shop: string, find: string): Observable<readonly VehicleView[]> {
    return this.#http.get<readonly VehicleView[]>(`/api/shops/${shop}/vehicles`, { params: find ? { find } : {} });
  }
  /** A page of vehicles. @param address Of the next page, as the one before told it; null for the first. */
  vehiclePage(shop: string, find: string, address: string | null): Observable<VehiclePage> {
    const words = find ? `&find=${encodeURIComponent(find)}` : '';
    return this.#http
      .get<readonly VehicleView[]>(address ?? `/api/shops/${shop}/vehicles?limit=${FIRST_PAGE}${words}`, {
        observe: 'response',
      })
      .pipe(map(({ body, headers }) => ({ rows: body ?? [], next: nextPage(headers.get('Link'), NEXT_PAGES) })));
  }
  vehicle(shop: string, id: string): Observable<VehicleView> {
    return this.#http.get<VehicleView>(`/api/shops/${shop}/vehicles/${id}`);
  }
  changeVehicle(shop: string, id: string, changes: VehicleChanges): Observable<VehicleView> {
    return this.#http.patch<VehicleView>(`/api/shops/${shop}/vehicles/${id}`, changes);
  }
  criteria(shop: string): Observable<CriteriaListView> {
    return this.#http.get<CriteriaListView>(`/api/shops/${shop}/criteria`);
  }
  checkCriteria(shop: string, body: CheckCriteria): Observable<CheckedCriteriaView> {
    return this.#http.post<CheckedCriteriaView>(`/api/shops/${shop}/criteria/check`, body);
  }
  saveCriteria(shop: string, body: NewCriteria): Observable<CriteriaView> {
    return this.#http.post<CriteriaView>(`/api/shops/${shop}/criteria`, body);
  }
  chooseCriteria(shop: string, id: string): Observable<void> {
    return this.#http.put<void>(`/api/shops/${shop}/criteria/usual`, { id });
  }
  putCriteriaInForce(shop: string, id: string, version: number): Observable<CriteriaView> {
    return this.#http.post<CriteriaView>(`/api/shops/${shop}/criteria/${id}/versions/${version}/in-force`, {});
  }
  apiKeys(shop: string): Observable<readonly ApiKeyView[]> {
    return this.#http.get<readonly ApiKeyView[]>(`/api/shops/${shop}/api-keys`);
  }
  createApiKey(shop: string, body: NewApiKey): Observable<NewApiKeyView> {
    return this.#http.post<NewApiKeyView>(`/api/shops/${shop}/api-keys`, body);
  }
  revokeApiKey(shop: string, id: string): Observable<void> {
    return this.#http.delete<void>(`/api/shops/${shop}/api-keys/${id}`);
  }
  webhooks(shop: string): Observable<readonly WebhookView[]> {
    return this.#http.get<readonly WebhookView[]>(`/api/shops/${shop}/webhooks`);
  }
  putWebhook(shop: string, id: string, body: WebhookBody): Observable<WebhookView> {
    return this.#http.put<WebhookView>(`/api/shops/${shop}/webhooks/${id}`, body);
  }
  removeWebhook(shop: string, id: string): Observable<void> {
    return this.#http.delete<void>(`/api/shops/${shop}/webhooks/${id}`);
  }
  testWebhook(shop: string, id: string): Observable<void> {
    return this.#http.post<void>(`/api/shops/${shop}/webhooks/${id}/test`, {});
  }
  deliveries(shop: string, id: string): Observable<readonly DeliveryView[]> {
    return this.#http.get<readonly DeliveryView[]>(`/api/shops/${shop}/webhooks/${id}/deliveries`);
  }
  rounds(shop: string): Observable<readonly RoundView[]> {
    return this.#http.get<readonly RoundView[]>(`/api/shops/${shop}/rounds`);
  }
  /** A page of the vehicles of a round, by urgency. @param address Of the next page; null for the first. */
  roundVehicles(shop: string, plan: string, address: string | null): Observable<RoundVehiclePage> {
    return this.#http
      .get<readonly RoundVehicle[]>(address ?? `/api/shops/${shop}/rounds/${plan}/vehicles`, { observe: 'response' })
      .pipe(map(({ body, headers }) => ({ rows: body ?? [], next: nextPage(headers.get('Link'), NEXT_PAGES) })));
  }
  /** The rows of a sheet, page after page: what is there already is told with each. */
  roundSheet(shop: string, plan: string): Observable<readonly SheetRow[]> {
    const page = (address: string) =>
      this.#http
        .get<readonly SheetRow[]>(address, { observe: 'response' })
        .pipe(map(({ body, headers }) => ({ rows: body ?? [], next: nextPage(headers.get('Link'), NEXT_SHEETS) })));
    return page(`/api/shops/${shop}/rounds/${plan}/sheet`).pipe(
      expand(({ next }) => (next === null ? EMPTY : page(next))),
      scan((rows, { rows: more }) => [...rows, ...more], [] as readonly SheetRow[]),
    );
  }
  putVehicleUse(shop: string, vehicle: string, id: string, use: VehicleUse): Observable<void> {
    return this.#http.put<void>(`/api/shops/${shop}/vehicles/${vehicle}/uses/${id}`, use);
  }
  putRound(shop: string, id: string, plan: RoundPlan): Observable<RoundView> {
    return this.#http.put<RoundView>(`/api/shops/${shop}/rounds/${id}`, plan);
  }
  endRound(shop: string, id: string): Observable<void> {
    return this.#http.delete<void>(`/api/shops/${shop}/rounds/${id}`);
  }
  importVehicles(shop: string, body: ImportVehicles): Observable<VehicleImportView> {
    return this.#http.post<VehicleImportView>(`/api/shops/${shop}/vehicle-imports`, body);
  }
  undoVehicleImport(shop: string, id: string): Observable<unknown> {
    return this.#http.post(`/api/shops/${shop}/vehicle-imports/${id}/undo`, {});
  }
  history(shop: string, vehicle: string): Observable<readonly HistoryVisit[]> {
    return this.#http.get<readonly HistoryVisit[]>(`/api/shops/${shop}/vehicles/${vehicle}/history`);
  }
  vehicleKind(shop: string, vehicle: string): Observable<VehicleKindView> {
    return this.#http.get<VehicleKindView>(`/api/shops/${shop}/vehicles/${vehicle}/kind`);
  }
  vehicleCaptures(shop: string, vehicle: string): Observable<readonly VehicleCaptureView[]> {
    return this.#http.get<readonly VehicleCaptureView[]>(`/api/shops/${shop}/vehicles/${vehicle}/captures`);
  }
  moveJobs(shop: string, vehicle: string, body: MoveJobs): Observable<{ readonly id: string; readonly moved: number }> {
    return this.#http.post<{ id: string; moved: number }>(`/api/shops/${shop}/vehicles/${vehicle}/moves`, body);
  }
  undoMove(shop: string, move: string): Observable<{ readonly moved: number }> {
    return this.#http.post<{ moved: number }>(`/api/shops/${shop}/vehicle-moves/${move}/undo`, {});
  }
  visits(shop: string, vehicle: string): Observable<readonly VisitView[]> {
    return this.#http.get<readonly VisitView[]>(`/api/shops/${shop}/vehicles/${vehicle}/visits`);
  }
  /** @param writeId The same for a repeat of the same import. */
  importCase(shop: string, document: Case, writeId: string): Observable<JobView> {
    return this.#http.post<JobView>(`/api/shops/${shop}/cases`, document, { headers: idempotencyHeader(writeId) });
  }

  instruments(shop: string): Observable<readonly InstrumentView[]> {
    return this.#http.get<readonly InstrumentView[]>(`/api/shops/${shop}/instruments`);
  }
  putInstrument(shop: string, id: string, body: InstrumentBody): Observable<InstrumentView> {
    return this.#http.put<InstrumentView>(`/api/shops/${shop}/instruments/${id}`, body);
  }
  checkInstrument(shop: string, id: string, check: NewCheck): Observable<InstrumentView> {
    return this.#http.post<InstrumentView>(`/api/shops/${shop}/instruments/${id}/checks`, check);
  }

  /** Sends one item of the outbox; the server stores a repeat once. `now` gives what it carries its age, ms. */
  send(item: OutboxItem, now: number): Observable<JobView> {
    const { method, path, body } = requestOf(item, now);
    const headers = idempotencyHeader(`${deviceId()}.${item.id}`);
    return this.#http.request<JobView>(method, `/api/shops/${item.shop}/jobs${path}`, { body, headers });
  }
}
