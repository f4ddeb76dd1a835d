/** What the tests of the bench's parts share: a job, its readings, and a clock that stands still. */
import { ComponentFixtureAutoDetect, TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { JobView, PersonView, Role, SessionView, TimerView, VisitView } from '@tetrad/contracts';
import type { Case, Reading } from '@tetrad/core';
import { MessageService } from 'primeng/api';
import { providePrimeNG } from 'primeng/config';
import { NEVER, of } from 'rxjs';
import type { Observable } from 'rxjs';
import { Clock } from '../src/app/device/clock';
import { instrumentsFeature } from '../src/app/instruments/instruments.feature';
import { JobStore } from '../src/app/job/job.store';
import { JobActions, jobsFeature } from '../src/app/job/jobs.feature';
import type { OutboxItem } from '../src/app/outbox/outbox-item';
import { outboxFeature, selectItems } from '../src/app/outbox/outbox.feature';
import { Arrivals } from '../src/app/screens/bench/arrivals';
import { LastVisit } from '../src/app/screens/bench/last-visit';
import { StepAtHand } from '../src/app/screens/bench/step-at-hand';
import type { Api } from '../src/app/api/api';
import { ItemSender } from '../src/app/outbox/item-sender';
import { fakeApi } from './fake-api';
import { floorFeature } from '../src/app/state/floor/floor.feature';
import { SessionActions, sessionFeature } from '../src/app/state/session/session.feature';

export const NOW = Date.parse('2026-03-02T10:00:00Z');
export const subject = (readings: readonly Reading[] = [], more: Partial<Case> = {}): Case => ({
  format: 'tetrad-case/1',
  system: { nominalVolts: 12, battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } } },
  complaint: { symptoms: ['slow-crank'] },
  readings,
  ...more,
});
export const rest: Reading = {
  id: 'a',
  test: 'resting-voltage',
  value: 12.64,
  conditions: { surfaceChargeRemoved: true },
};
export const ground: Reading = { id: 'g', test: 'drop-starter-ground', value: 2.9, conditions: { amps: 92 } };
export const view = (given: Case, more: Partial<JobView> = {}): JobView => ({
  id: '00000000-0000-4000-8000-000000000009',
  version: 1,
  revision: 1,
  pass: 'before',
  vehicle: { id: 'v', name: 'Quay van', plate: 'Q-1', vin: null, year: null, group: null, batteryFittedOn: null },
  status: 'open',
  assignee: null,
  criteria: 'balanced',
  criteriaSet: null,
  openedAt: '2026-03-02T09:00:00Z',
  case: given,
  judgement: null,
  timers: [],
  acknowledgements: [],
  signOff: null,
  outcome: null,
  supersededSignOff: null,
  imported: null,
  importedSignOff: null,
  ...more,
});
export const timer = (kind: TimerView['kind'], agoS: number, seconds: number): TimerView => ({
  id: `${kind} ${agoS}`,
  kind,
  seconds,
  startedAt: new Date(NOW - agoS * 1000).toISOString(),
});
export const text = (fixture: ComponentFixture<unknown>): string =>
  (fixture.nativeElement as HTMLElement).textContent!.replace(/\s+/g, ' ').trim();
export const button = (fixture: ComponentFixture<unknown>, words: string): HTMLButtonElement => {
  const all = [...document.querySelectorAll<HTMLButtonElement>('button')];
  const found =
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((one) =>
      one.textContent!.includes(words),
    ) ?? all.find((one) => one.textContent!.includes(words));
  if (!found) throw new Error(`no button “${words}” in ${text(fixture)}`);
  return found;
};

/** A session of this device, of a lead unless another role is told. */
export const signedIn = (name = 'Ilse Marrow', role: Role = 'lead'): SessionView => ({
  kind: 'device',
  person: { id: 'p1', name, role },
  shop: { id: 'one', name: 'Shop one', forgetsAtSignOut: false },
  job: null,
  endsAt: '2026-03-02T18:00:00Z',
  hasSingleSignOn: false,
  rolesByPin: ['apprentice', 'technician', 'lead', 'administrator'],
  demoShops: [],
});

/** What a shop's server answers: nothing is there, and nothing goes wrong. */
export const api = {
  getSession: () => of(signedIn()),
  listJobs: () => of({ rows: [], next: null }),
  getJob: (): Observable<JobView> => NEVER,
  listVehicles: () => of({ rows: [], next: null }),
  listVisits: (): Observable<readonly VisitView[]> => of([]),
  listPeople: (): Observable<readonly PersonView[]> => of([]),
  switchUser: (): Observable<SessionView> => NEVER,
  listInstruments: () => of([]),
} satisfies Partial<Api>;

/** A test bed with a clock that stands still, a store of its own, and one job in view where it is opened. */
export const standingBed = (): void => {
  sessionStorage.clear();
  TestBed.configureTestingModule({
    providers: [
      { provide: ComponentFixtureAutoDetect, useValue: true },
      { provide: Clock, useValue: { now: () => NOW, ticking: () => NOW, watch: () => () => undefined } },
      fakeApi(api),
      { provide: ItemSender, useValue: { send: () => NEVER } },
      provideRouter([]),
      providePrimeNG(),
      MessageService,
      provideStore(),
      provideState(sessionFeature),
      provideState(outboxFeature),
      provideState(jobsFeature),
      provideState(floorFeature),
      provideState(instrumentsFeature),
      Arrivals,
      JobStore,
      LastVisit,
      StepAtHand,
    ],
  });
};

/** Opens a job in the test bed, as the server told it. */
export function openJob(job: JobView): InstanceType<typeof JobStore> {
  const store = TestBed.inject(Store);
  store.dispatch(SessionActions.known({ session: signedIn() }));
  const opened = TestBed.inject(JobStore);
  opened.open(job.id);
  store.dispatch(JobActions.loaded({ job }));
  return opened;
}

/** What was handed to the outbox, in its order. */
export function queuedActs(): readonly OutboxItem[] {
  let items: readonly OutboxItem[] = [];
  TestBed.inject(Store)
    .select(selectItems)
    .subscribe((now) => (items = now))
    .unsubscribe();
  return items;
}

/** Types into a field found by its label, as a person would. */
export async function typeInto(fixture: ComponentFixture<unknown>, label: string, value: string): Promise<void> {
  const labels = [...document.querySelectorAll('label')];
  const found = labels.find((one) => one.textContent!.trim().startsWith(label));
  const field =
    found?.querySelector<HTMLInputElement>('input, textarea') ??
    (found?.htmlFor ? (document.getElementById(found.htmlFor) as HTMLInputElement | null) : null);
  if (!field) throw new Error(`no field “${label}” among ${labels.map((one) => one.textContent!.trim()).join(' | ')}`);
  field.value = value;
  field.dispatchEvent(new Event('input', { bubbles: true }));
  field.dispatchEvent(new Event('blur'));
  await fixture.whenStable();
}

/** Chooses an option of a list that opens, by the label of the list. */
export async function pick(fixture: ComponentFixture<unknown>, label: string, option: string): Promise<void> {
  const part = [...document.querySelectorAll('tt-select')].find((one) => one.textContent!.includes(label));
  if (!part) throw new Error(`no list “${label}”`);
  part.querySelector<HTMLElement>('p-select')!.click();
  await fixture.whenStable();
  const options = [...document.querySelectorAll<HTMLElement>('[role=option]')];
  const found = options.find((one) => one.textContent!.trim() === option);
  if (!found)
    throw new Error(`no option “${option}” among ${options.map((one) => one.textContent!.trim()).join(' | ')}`);
  found.click();
  await fixture.whenStable();
}

/** Sends the form in the page. */
export async function submit(fixture: ComponentFixture<unknown>): Promise<void> {
  document.querySelector('form')!.dispatchEvent(new Event('submit'));
  await fixture.whenStable();
}
