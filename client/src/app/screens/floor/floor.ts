import { DatePipe } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  Injector,
  computed,
  effect,
  inject,
  signal,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { JobStatus, NewJob } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { TableModule } from 'primeng/table';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { FileButton } from '../../kit/file-button';
import { bindKeys, isWriting } from '../../kit/keys/bind-keys';
import { Message } from '../../kit/message';
import { NotLoaded } from '../../kit/not-loaded';
import { ProfileView } from '../../kit/profile-view';
import { Coming, Empty } from '../../kit/states';

import { FloorActions, selectFloor, selectRows } from '../../state/floor/floor.feature';
import { queued } from '../../outbox/outbox-item';
import { OutboxActions } from '../../outbox/outbox.actions';
import { selectItems } from '../../outbox/outbox.feature';
import { selectShop } from '../../state/session/session.feature';
import { Clock } from '../../device/clock';
import { callWhenOver } from '../../waiting/call-when-over';
import { floorLine, matches } from './floor-line';
import type { FloorLine } from './floor-line';
import { floorTable } from './floor-table';
import { ToDoStrip } from './to-do-strip';
import { PracticeJobs } from '../../practice/practice-jobs';
import { DueRounds } from './due-rounds';
import { NewJobDialog } from './new-job-dialog';

/** From so many jobs on the floor is drawn as far as it is in view. */
const LONG_FLOOR = 100;

/** All jobs of the shop: what each waits for, its profile and its verdict. */
@Component({
  selector: 'tt-floor',
  imports: [
    Button,
    Coming,
    DatePipe,
    DueRounds,
    Empty,
    FileButton,
    InputText,
    Message,
    NewJobDialog,
    NotLoaded,
    ProfileView,
    RouterLink,
    TableModule,
    ToDoStrip,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './floor.html',
  styleUrl: './floor.css',
})
export class Floor {
  readonly #store = inject(Store);
  readonly #router = inject(Router);
  readonly #injector = inject(Injector);
  readonly #clock = inject(Clock);
  readonly #csv = inject(CsvFiles);

  protected readonly floor = this.#store.selectSignal(selectFloor);
  protected readonly rows = this.#store.selectSignal(selectRows);
  /** The server's time, read only while something waits. */
  protected readonly now = computed(
    () => (this.rows().some(({ timer }) => timer !== null) ? this.#clock.ticking() : 0),
    {
      equal: (a, b) => Math.floor(a / 1000) === Math.floor(b / 1000),
    },
  );
  readonly #shop = this.#store.selectSignal(selectShop);
  protected readonly pendingJobs = computed(() =>
    this.#items()
      .filter((item) => item.kind === 'new-job')
      .filter(({ job }) => this.#practice.of(job) === null)
      .map(({ id, job, state, body }) => ({ id, job, held: state === 'held', name: body.vehicle.name })),
  );
  readonly #practice = inject(PracticeJobs);
  readonly #items = this.#store.selectSignal(selectItems);

  /** What is ready comes first, and of that the newest change. A new list: the table changes it in place. */
  protected readonly sorted = [
    { field: 'readiness', order: 1 },
    { field: 'changedAt', order: -1 },
  ];
  /** Few rows beyond those in view: a turn of the wheel draws little. */
  protected readonly scrolling = { numToleratedItems: 1 };
  protected readonly filter = signal('');
  protected readonly opening = signal(false);
  protected readonly importProblem = signal<string | null>(null);

  /** A fresh list every time: the table sorts what it is given in place. */
  protected readonly lines = computed(() => {
    const nowMs = this.now();
    const words = this.filter().toLowerCase().split(/\s+/).filter(Boolean);
    return this.rows()
      .map((row) => floorLine(row, nowMs))
      .filter((line) => matches(line, words));
  });

  constructor() {
    this.show('open');
    const move = (by: 1 | -1) => (event: KeyboardEvent) => {
      if (isWriting(event) && (event.target as Element).id !== 'filter') return false;
      focusNeighbour(by);
      return undefined;
    };
    bindKeys('Job list', {
      newJob: () => this.opening.set(true),
      filter: (event) => (isWriting(event) ? false : document.getElementById('filter')?.focus()),
      down: move(1),
      up: move(-1),
    });
    callWhenOver(computed(() => this.rows().flatMap(({ timer }) => timer ?? [])));
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

  protected seek(words: string): void {
    this.filter.set(words);
    this.#store.dispatch(FloorActions.sought({ words }));
  }
  protected loadMore(): void {
    this.#store.dispatch(FloorActions.moreWanted());
  }

  protected show(status: JobStatus): void {
    this.#store.dispatch(FloorActions.load({ status }));
  }

  protected open(draft: NewJob): void {
    const shop = this.#shop();
    if (shop === null) return;
    const job = draft.id;
    this.#store.dispatch(OutboxActions.queued({ item: queued({ kind: 'new-job', shop, job, body: draft }) }));
    this.opening.set(false);
    void this.#router.navigate(['/jobs', job]);
  }

  protected resume(job: string): void {
    this.opening.set(false);
    void this.#router.navigate(['/jobs', job]);
  }

  /** A floor of so many jobs is drawn as far as it is in view. */
  protected readonly isLong = computed(() => this.lines().length > LONG_FLOOR);
  /**
   * Rows keep their place in the page, and the focus, while the waits count. Of a long floor the rows in view are
   * filled anew instead: to make and remove them at every turn of the wheel takes too long.
   */
  protected readonly rowId = (index: number, { row }: FloorLine): string | number => (this.isLong() ? index : row.id);

  protected exportCsv(): void {
    void this.#csv.save('floor', floorTable(this.lines()));
  }

  protected async importCase(file: File): Promise<void> {
    const shop = this.#shop();
    if (shop === null) return;
    this.importProblem.set(null);
    // reading a case takes the whole format: it comes with the first import
    const { CaseFiles } = await import('./case-files');
    const result = await this.#injector.get(CaseFiles).import(shop, file);
    if (typeof result === 'string') this.importProblem.set(`${file.name} was not imported. ${result}`);
    else void this.#router.navigate(['/jobs', result.id]);
  }
}

/** Moves the focus along the rows' links. */
function focusNeighbour(step: 1 | -1): void {
  const links = [...document.querySelectorAll<HTMLElement>('a.job')];
  const at = links.indexOf(document.activeElement as HTMLElement);
  links[Math.min(links.length - 1, Math.max(0, at + step))]?.focus();
}
