import { DatePipe } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { reportOf } from '@tetrad/contracts';
import { SCHOOLS, TESTS, compareSchools, decisionWords, writeCase } from '@tetrad/core';
import { GradeMark } from '../parts/grade-mark';
import { ProfileView } from '../parts/profile-view';
import { saveFile } from '../parts/save-file';
import { JobActions } from '../state/job/job.reducer';
import { selectJob, selectJobLoading, selectJudgement } from '../state/job/job.selectors';
import { Figures } from '../state/figures';
import { selectShop } from '../state/shop/shop.reducer';

/** The report of a job: a page for the customer in plain words, a page for the technician with everything. */
@Component({
  selector: 'tt-report',
  imports: [RouterLink, DatePipe, ProfileView, GradeMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './report.html',
  styleUrl: './report.css',
})
export class Report {
  readonly #store = inject(Store);
  readonly #figures = inject(Figures);
  readonly job = input.required<string>();

  protected readonly view = this.#store.selectSignal(selectJob);
  protected readonly loading = this.#store.selectSignal(selectJobLoading);
  readonly #judgement = this.#store.selectSignal(selectJudgement);
  readonly #shop = this.#store.selectSignal(selectShop);

  protected readonly report = computed(() => {
    const job = this.view();
    const judgement = this.#judgement();
    return job && judgement ? reportOf(job, judgement, this.#figures.choice()) : null;
  });
  /** Where the server makes the PDF. */
  protected readonly pdf = computed(() => {
    const asked = new URLSearchParams({ ...this.#figures.choice() });
    return `/api/shops/${this.#shop() ?? ''}/jobs/${this.job()}/report.pdf?${asked.toString()}`;
  });

  /** The same readings by every school: where they differ, and what each would do. */
  protected readonly schools = computed(() => {
    const job = this.view();
    if (!job || job.case.readings.length === 0) return null;
    const { schools, disagreements } = compareSchools(job.case, SCHOOLS, this.#figures.voice());
    return {
      schools: schools.map(({ criteria, decision }) => ({ name: criteria.name, words: decisionWords(decision) })),
      disagreements: disagreements.map(({ id, test, by }) => ({ id, name: TESTS[test].name, by })),
    };
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.#store.dispatch(JobActions.left()));
    effect(() => {
      const id = this.job();
      untracked(() => this.#store.dispatch(JobActions.opened({ id })));
    });
  }

  protected print(): void {
    globalThis.print();
  }
  protected exportCase(): void {
    const job = this.view();
    if (job)
      saveFile(
        `${job.vehicle.plate ?? job.vehicle.name}-${job.openedAt.slice(0, 10)}.case.json`,
        'application/json',
        writeCase(job.case),
      );
  }
}
