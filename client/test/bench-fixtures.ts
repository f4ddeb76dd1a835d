/** What the tests of the bench's parts share: a job, its readings, and a clock that stands still. */
import { ComponentFixtureAutoDetect, TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideStore } from '@ngrx/store';
import type { JobView, TimerView } from '@tetrad/contracts';
import type { Case, Reading } from '@tetrad/core';
import { providePrimeNG } from 'primeng/config';
import { Clock } from '../src/app/device/clock';
import { jobReducer } from '../src/app/job/job.reducer';
import { outboxReducer } from '../src/app/outbox/outbox.reducer';
import { shopReducer } from '../src/app/state/shop/shop.reducer';

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
  vehicle: { id: 'v', name: 'Quay van', plate: 'Q-1', vin: null, year: null },
  status: 'open',
  assignee: null,
  criteria: 'balanced',
  openedAt: '2026-03-02T09:00:00Z',
  case: given,
  judgement: null,
  timers: [],
  acknowledgements: [],
  signOff: null,
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

/** A test bed with a clock that stands still and a store of its own. */
export const standingBed = (): void => {
  TestBed.configureTestingModule({
    providers: [
      { provide: ComponentFixtureAutoDetect, useValue: true },
      { provide: Clock, useValue: { now: () => NOW, ticking: () => NOW, watch: () => () => undefined } },
      provideRouter([]),
      providePrimeNG(),
      provideStore({ shop: shopReducer, job: jobReducer, outbox: outboxReducer }),
    ],
  });
};
