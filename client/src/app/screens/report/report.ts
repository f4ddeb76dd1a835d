import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { reportOf } from '@tetrad/contracts';
import { SCHOOLS, TESTS, compareSchools, decisionWords, writeCase } from '@tetrad/core';
import { Button } from '../../kit/button';
import { Coming, Failed } from '../../kit/states';
import { GradeMark } from '../../kit/grade-mark';
import { ProfileView } from '../../kit/profile-view';
import { Ruler } from '../../kit/ruler';
import { httpResource } from '@angular/common/http';
import type { CaptureView } from '@tetrad/contracts';
import { CapturePicture } from './capture-picture';
import { VoltSteps } from '../../kit/volt-steps';
import { saveFile } from '../../kit/save-file';
import { JobStore } from '../../job/job.store';
import { Sentences } from '../../device/sentences';
import { selectShop } from '../../state/session/session.feature';

/** The report of a job: a page for the customer in plain words, a page for the technician with everything. */
@Component({
  selector: 'tt-report',
  imports: [Button, CapturePicture, Coming, DatePipe, Failed, GradeMark, ProfileView, RouterLink, Ruler, VoltSteps],
  providers: [JobStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './report.html',
  styleUrl: './report.css',
})
export class Report {
  readonly #voice = inject(Sentences);
  protected readonly job = inject(JobStore);
  readonly id = input.required<string>();

  protected readonly view = this.job.view;
  readonly #shop = inject(Store).selectSignal(selectShop);

  protected readonly report = computed(() => {
    const job = this.view();
    const judgement = this.job.judgement();
    return job && judgement ? reportOf(job, judgement, this.#voice.choice()) : null;
  });
  readonly #captures = httpResource<readonly CaptureView[]>(() =>
    this.#shop() ? `/api/shops/${this.#shop()}/jobs/${this.id()}/captures` : undefined,
  );
  /** Recorded starts that were taken apart, each with its picture. */
  protected readonly captures = computed(() =>
    (this.#captures.hasValue() ? this.#captures.value() : []).flatMap(({ id, name, found }) =>
      found?.outline ? { id, name, found } : [],
    ),
  );
  /** Where the server makes the PDF. */
  protected readonly pdf = computed(() => {
    const asked = new URLSearchParams({ ...this.#voice.choice() });
    return `/api/shops/${this.#shop() ?? ''}/jobs/${this.id()}/report.pdf?${asked.toString()}`;
  });

  /** The same readings by every school: where they differ, and what each would do. */
  protected readonly schools = computed(() => {
    const job = this.view();
    if (!job || job.case.readings.length === 0) return null;
    const { schools, disagreements } = compareSchools(job.case, SCHOOLS, this.#voice.voice());
    return {
      schools: schools.map(({ criteria, decision }) => ({ name: criteria.name, words: decisionWords(decision) })),
      disagreements: disagreements.map(({ id, test, by }) => ({ id, name: TESTS[test].name, by })),
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
