import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
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
import { CaseFiles } from './case-files';
import { NewJobDialog } from './new-job-dialog';
import type { JobDraft } from './new-job-dialog';
import { downloadCsv } from './floor-csv';

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
}

const line = (row: FloorRow): FloorLine => ({
  row,
  vehicle: row.vehicle.name,
  complaint: row.symptoms.map((symptom) => SYMPTOMS[symptom as SymptomName] ?? symptom).join(', '),
  waitsFor: row.decision ? (row.waitsFor ? stepName(row.waitsFor) : '') : '',
  verdict: row.decision ? decisionWords(row.decision) : '',
  tone: row.decision ? decisionTone(row.decision) : 'open',
  who: row.assignee ?? '',
  changedAt: row.changedAt,
});

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

  protected readonly floor = this.#store.selectSignal(selectFloor);
  readonly #rows = this.#store.selectSignal(selectRows);
  readonly #shop = this.#store.selectSignal(selectShop);
  protected readonly pendingJobs = computed(() => this.#items().filter(({ kind }) => kind === 'new-job'));
  readonly #items = this.#store.selectSignal(selectItems);

  protected readonly filter = signal('');
  protected readonly opening = signal(false);
  protected readonly importProblem = signal<string | null>(null);

  /** A fresh list every time: the table sorts what it is given in place. */
  protected readonly lines = computed(() => {
    const words = this.filter().toLowerCase().split(/\s+/).filter(Boolean);
    return this.#rows()
      .map(line)
      .filter(({ row, vehicle, complaint, waitsFor, verdict, who }) => {
        const text = `${vehicle} ${row.vehicle.plate ?? ''} ${complaint} ${waitsFor} ${verdict} ${who}`.toLowerCase();
        return words.every((word) => text.includes(word));
      });
  });

  constructor() {
    this.show('open');
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

  protected exportCsv(): void {
    downloadCsv(this.lines());
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
