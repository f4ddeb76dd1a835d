import { DatePipe, formatDate } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  LOCALE_ID,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { PAGE_MOST, importNote, recordOf, reportOf } from '@tetrad/contracts';
import { SCHOOLS, TESTS, compareSchools, decisionWords, writeCase } from '@tetrad/core';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { Coming, Failed } from '../../kit/states';
import { GradeMark } from '../../kit/grade-mark';
import { ProfileView } from '../../kit/profile-view';
import { Ruler } from '../../kit/ruler';
import { HttpClient, httpResource } from '@angular/common/http';
import type { CaptureView, CriteriaListView, JobView } from '@tetrad/contracts';
import type { Case } from '@tetrad/core';
import { CapturePicture } from './capture-picture';
import { VoltSteps } from '../../kit/volt-steps';
import { Download } from './download';
import { readingsTable } from './readings-table';
import { Progress } from '../../kit/progress';
import { saveText } from '../../kit/save-file';
import { JobStore } from '../../job/job.store';
import { selectUnsent } from '../../outbox/outbox.feature';
import { Sentences } from '../../device/sentences';
import { selectSession, selectShop } from '../../state/session/session.feature';
import { addressOf } from '@tetrad/contracts/addresses';

/** The report of a job: a page for the customer in plain words, a page for the technician with everything. */
@Component({
  selector: 'tt-report',
  imports: [
    Button,
    CapturePicture,
    Coming,
    DatePipe,
    Failed,
    GradeMark,
    ProfileView,
    Progress,
    RouterLink,
    Ruler,
    VoltSteps,
  ],
  providers: [Download, JobStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './report.html',
  styleUrl: './report.css',
})
export class Report {
  readonly #voice = inject(Sentences);
  readonly #csv = inject(CsvFiles);
  readonly #locale = inject(LOCALE_ID);
  protected readonly job = inject(JobStore);
  readonly id = input.required<string>();

  protected readonly view = this.job.view;
  readonly #http = inject(HttpClient);
  readonly #store = inject(Store);
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #session = this.#store.selectSignal(selectSession);
  protected readonly shopName = computed(() => this.#session()?.shop.name ?? '');
  readonly #unsent = this.#store.selectSignal(selectUnsent);

  protected readonly report = computed(() => {
    const job = this.view();
    const judgement = this.job.judgement();
    return job && judgement ? reportOf(job, judgement, this.#voice.choice()) : null;
  });
  /** Where it comes from, of a job that was imported. */
  protected readonly notes = computed(() => {
    const job = this.view();
    return job ? importNote(job, (time) => formatDate(time, 'd MMMM y, HH:mm', this.#locale)) : [];
  });
  readonly #captures = httpResource<readonly CaptureView[]>(() =>
    this.#shop() ? `${addressOf('listCaptures', this.#shop()!, this.id())}?limit=${PAGE_MOST}` : undefined,
  );
  /** Recorded starts that were taken apart, each with its picture. */
  protected readonly captures = computed(() =>
    // the newest come first; a report tells them in the order in which they were recorded
    [...(this.#captures.hasValue() ? this.#captures.value() : [])]
      .reverse()
      .flatMap(({ id, name, found }) => (found?.outline ? { id, name, found } : [])),
  );
  protected readonly paper = inject(Download);
  /** Where the server makes the PDF. */
  readonly #pdf = computed(() => {
    const asked = new URLSearchParams({ ...this.#voice.choice() });
    return `${addressOf('getReport', this.#shop() ?? '', this.id())}?${asked.toString()}`;
  });

  readonly #criteria = httpResource<CriteriaListView>(() =>
    this.#shop() ? addressOf('listCriteria', this.#shop()!) : undefined,
  );
  /** The sets that ship, and the shop's own that are in force; without the server the first alone. */
  readonly #sets = computed(() => {
    const sets = this.#criteria.hasValue() ? this.#criteria.value().sets : [];
    return [...SCHOOLS, ...sets.filter((set) => set.isInForce && !set.isShipped).map(({ document }) => document)];
  });
  /** The same readings by every limit set: where they differ, and what each would do. */
  protected readonly schools = computed(() => {
    const job = this.view();
    if (!job || job.case.readings.length === 0) return null;
    const { schools, disagreements } = compareSchools(job.case, this.#sets());
    const voice = this.#voice.voice();
    return {
      schools: schools.map(({ criteria, decided }) => ({
        id: criteria.id,
        name: criteria.name,
        words: decisionWords({ ...decided, with: decided.because.params }, voice),
      })),
      disagreements: disagreements.map(({ id, test, by }) => ({
        id,
        name: TESTS[test].name,
        by: by.map(({ grade, bound }) => ({ grade, limit: bound ? voice.say(bound) : '' })),
      })),
    };
  });

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.job.open(id));
    });
  }

  protected print(): void {
    globalThis.print();
  }
  protected makePdf(): void {
    const job = this.view();
    if (job) this.paper.start(this.#pdf(), `${this.#name(job)}.pdf`);
  }
  #name({ vehicle, openedAt }: JobView): string {
    return `${vehicle.plate ?? vehicle.name}-${openedAt.slice(0, 10)}`;
  }
  protected exportReadings(): void {
    const job = this.view();
    if (job) void this.#csv.save(`${this.#name(job)}.readings`, readingsTable(job, this.job.assessments()));
  }
  /**
   * With sign-off, plate, status and times beside the case. The server gives it, and notes who took it; what is not
   * stored yet, and a job whose server is away, is given as this device knows it.
   */
  protected exportCase(): void {
    const job = this.view();
    if (!job) return;
    const save = (text: string): void => saveText(`${this.#name(job)}.case.json`, 'application/json', text);
    const own = (): void => save(writeCase({ ...job.case, job: recordOf(job) } as Case));
    if (this.#unsent().some((item) => item.job === job.id)) return own();
    this.#http
      .get(addressOf('getCase', this.#shop() ?? '', job.id), { responseType: 'text' })
      .subscribe({ next: save, error: own });
  }
}
