import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, DestroyRef, computed, effect, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { FloorRow, JobStatus } from '@tetrad/contracts';
import { SYMPTOMS, decisionTone, decisionWords, stepName } from '@tetrad/core';
import type { SymptomName } from '@tetrad/core';
import { TableModule } from 'primeng/table';
import { ProfileView } from '../parts/profile-view';

import { FloorActions, selectFloor, selectRows } from '../state/floor/floor.reducer';
import { queued } from '../state/outbox/outbox-item';
import { OutboxActions } from '../state/outbox/outbox.actions';
import { selectItems } from '../state/outbox/outbox.reducer';
import { selectShop } from '../state/shop/shop.reducer';
import { Clock } from '../state/clock/clock';
import { callWhenOver } from '../waiting/call-when-over';
import { clockWords, waits } from '../waiting/timer-state';
import { CaseFiles } from './case-files';
import { NewJobDialog } from './new-job-dialog';
import type { JobDraft } from './new-job-dialog';

/** A row as the floor shows and sorts it. */
export interface FloorLine {
  readonly row: FloorRow;
  readonly vehicle: string;
  readonly complaint: string;
  readonly waitsFor: string;
  readonly verdict: string;
  readonly tone: 'act' | 'open' | 'good';
  readonly who: string;
  readonly changedAt: string;
  /** Sorts what is ready before what waits: lower comes first. */
  readonly readiness: number;
  /** The wait it is in, or null. */
  readonly wait: { readonly name: string; readonly over: boolean; readonly left: string } | null;
}

const line = (row: FloorRow, nowMs: number): FloorLine => ({
  ...waitOf(row, nowMs),
  row,
  vehicle: row.vehicle.name,
  complaint: row.symptoms.map((symptom) => SYMPTOMS[symptom as SymptomName]?.name ?? symptom).join(', '),
  waitsFor: row.decision ? (row.waitsFor ? stepName(row.waitsFor) : '') : '',
  verdict: row.decision ? decisionWords(row.decision) : '',
  tone: row.decision ? decisionTone(row.decision) : 'open',
  who: row.assignee ?? '',
  changedAt: row.changedAt,
});

/** Ready first: a wait that is over, then work that can be done now, then waits by their end, then the settled. */
function waitOf(row: FloorRow, nowMs: number): Pick<FloorLine, 'readiness' | 'wait'> {
  const [now] = row.timer ? waits([row.timer], nowMs) : [];
  if (now?.state.over) return { readiness: 0, wait: { name: now.row.name, over: true, left: '' } };
  if (now && !now.state.over)
    return {
      readiness: 2 + now.state.leftS,
      wait: { name: now.row.name, over: false, left: clockWords(now.state.leftS) },
    };
  return { readiness: row.waitsFor === null && row.decision !== null ? 1e9 : 1, wait: null };
}

/** All jobs of the shop: what each waits for, its profile and its verdict. */
@Component({
  selector: 'tt-floor',
  imports: [TableModule, ProfileView, NewJobDialog, DatePipe, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './floor.html',
  styleUrl: './floor.css',
  host: { '(document:keydown)': 'onKey($event)' },
})
export class Floor {
  readonly #store = inject(Store);
  readonly #router = inject(Router);
  readonly #files = inject(CaseFiles);
  readonly #clock = inject(Clock);

  protected readonly floor = this.#store.selectSignal(selectFloor);
  readonly #rows = this.#store.selectSignal(selectRows);
  /** The server's time, read only while something waits. */
  readonly #now = computed(() => (this.#rows().some(({ timer }) => timer !== null) ? this.#clock.ticking() : 0), {
    equal: (a, b) => Math.floor(a / 1000) === Math.floor(b / 1000),
  });
  readonly #shop = this.#store.selectSignal(selectShop);
  protected readonly pendingJobs = computed(() =>
    this.#items()
      .filter((item) => item.kind === 'new-job')
      .map(({ id, job, state, body }) => ({ id, job, held: state === 'held', name: body.vehicle.name })),
  );
  readonly #items = this.#store.selectSignal(selectItems);

  /** What is ready comes first, and of that the newest change. A new list: the table changes it in place. */
  protected readonly sorted = [
    { field: 'readiness', order: 1 },
    { field: 'changedAt', order: -1 },
  ];
  protected readonly filter = signal('');
  protected readonly opening = signal(false);
  protected readonly importProblem = signal<string | null>(null);

  /** A fresh list every time: the table sorts what it is given in place. */
  protected readonly lines = computed(() => {
    const nowMs = this.#now();
    const words = this.filter().toLowerCase().split(/\s+/).filter(Boolean);
    return this.#rows()
      .map((row) => line(row, nowMs))
      .filter(({ row, vehicle, complaint, waitsFor, verdict, who }) => {
        const text = `${vehicle} ${row.vehicle.plate ?? ''} ${complaint} ${waitsFor} ${verdict} ${who}`.toLowerCase();
        return words.every((word) => text.includes(word));
      });
  });

  constructor() {
    this.show('open');
    callWhenOver(computed(() => this.#rows().flatMap(({ timer }) => timer ?? [])));
    inject(DestroyRef).onDestroy(this.#clock.watch());
    inject(DestroyRef).onDestroy(() => this.#store.dispatch(FloorActions.left()));
    // a stored job changes the floor
    let before = this.#items().length;
    effect(() => {
      const now = this.#items().length;
      if (now < before) this.show(this.floor().status);
      before = now;
    });
  }

  protected show(status: JobStatus): void {
    this.#store.dispatch(FloorActions.load({ status }));
  }

  protected open(draft: JobDraft): void {
    const shop = this.#shop();
    if (shop === null) return;
    const job = draft.id;
    this.#store.dispatch(OutboxActions.queued({ item: queued({ kind: 'new-job', shop, job, body: draft }) }));
    this.opening.set(false);
    void this.#router.navigate(['/jobs', job]);
  }

  /** Rows keep their place in the page, and the focus, while the waits count. */
  protected readonly rowId = (_index: number, { row }: FloorLine): string => row.id;

  protected async exportCsv(): Promise<void> {
    const lines = this.lines();
    await import('./floor-csv').then(
      ({ downloadCsv }) => downloadCsv(lines),
      () =>
        this.importProblem.set('The table was not exported: the server does not answer. Try again when it is back.'),
    );
  }

  protected async importCase(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    const shop = this.#shop();
    if (!file || shop === null) return;
    this.importProblem.set(null);
    const result = await this.#files.import(shop, file);
    input.value = '';
    if (typeof result === 'string') this.importProblem.set(`${file.name} was not imported. ${result}`);
    else void this.#router.navigate(['/jobs', result.id]);
  }

  protected onKey(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    if (this.opening() || event.altKey || event.ctrlKey || event.metaKey) return;
    const typing = /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName);
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      if (typing && target.id !== 'filter') return;
      event.preventDefault();
      focusNeighbour(event.key === 'ArrowDown' ? 1 : -1);
    } else if (!typing && event.key.toLowerCase() === 'n') {
      event.preventDefault();
      this.opening.set(true);
    } else if (!typing && event.key === '/') {
      event.preventDefault();
      document.getElementById('filter')?.focus();
    }
  }
}

/** Moves the focus along the rows' links. */
function focusNeighbour(step: 1 | -1): void {
  const links = [...document.querySelectorAll<HTMLElement>('a.job')];
  const at = links.indexOf(document.activeElement as HTMLElement);
  links[Math.min(links.length - 1, Math.max(0, at + step))]?.focus();
}
