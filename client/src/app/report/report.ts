import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import {
  JUDGED_PARTS,
  SYMPTOMS,
  TESTS,
  VERDICT_WORDS,
  compareSchools,
  decisionTone,
  decisionWords,
  showValue,
  writeCase,
} from '@tetrad/core';
import type { Reading, SymptomName } from '@tetrad/core';
import { GradeMark } from '../parts/grade-mark';
import { ProfileView } from '../parts/profile-view';
import { saveFile } from '../parts/save-file';
import { JobActions } from '../state/job/job.reducer';
import {
  selectAssessments,
  selectCriteria,
  selectJob,
  selectJobLoading,
  selectJudgement,
  selectProfile,
} from '../state/job/job.selectors';

/** The report of a job, for paper: what was found in plain words, the profile, every reading. */
@Component({
  selector: 'tt-report',
  imports: [RouterLink, DatePipe, ProfileView, GradeMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './report.html',
  styleUrl: './report.css',
})
export class Report {
  readonly #store = inject(Store);
  readonly job = input.required<string>();

  protected readonly view = this.#store.selectSignal(selectJob);
  protected readonly loading = this.#store.selectSignal(selectJobLoading);
  protected readonly criteria = this.#store.selectSignal(selectCriteria);
  protected readonly assessments = this.#store.selectSignal(selectAssessments);
  protected readonly judgement = this.#store.selectSignal(selectJudgement);
  protected readonly profile = this.#store.selectSignal(selectProfile);

  protected readonly words = computed(() => {
    const said = this.judgement();
    return said ? decisionWords(said.decision) : '';
  });
  protected readonly tone = computed(() => {
    const said = this.judgement();
    return said ? decisionTone(said.decision) : 'open';
  });
  protected readonly symptoms = computed(() =>
    (this.view()?.case.complaint?.symptoms ?? []).map((name) => SYMPTOMS[name as SymptomName]).join(', '),
  );
  protected readonly parts = computed(() => {
    const said = this.judgement();
    return said
      ? JUDGED_PARTS.map((part) => ({
          part,
          words: VERDICT_WORDS[said.parts[part].verdict],
          because: said.parts[part].because,
        }))
      : [];
  });

  /** The same readings by every school: where they differ, and what each would do. */
  protected readonly schools = computed(() => {
    const job = this.view();
    if (!job || job.case.readings.length === 0) return null;
    const { schools, disagreements } = compareSchools(job.case);
    return {
      schools: schools.map(({ criteria, decision }) => ({ name: criteria.name, words: decisionWords(decision) })),
      disagreements: disagreements.map(({ id, test, by }) => ({ id, name: TESTS[test].name, by })),
    };
  });

  constructor() {
    effect(() => {
      const id = this.job();
      untracked(() => this.#store.dispatch(JobActions.opened({ id })));
    });
  }

  protected readonly show = (reading: Reading): string => showValue(reading);
  protected name(reading: Reading): string {
    return TESTS[reading.test].name;
  }
  /** How a reading was taken, in few words. */
  protected method({ conditions = {} }: Reading): string {
    return Object.entries(conditions)
      .map(([name, value]) =>
        typeof value === 'boolean'
          ? value
            ? name.replace(/([A-Z])/g, ' $1').toLowerCase()
            : ''
          : `${name.replace(/([A-Z])/g, ' $1').toLowerCase()} ${value}`,
      )
      .filter(Boolean)
      .join(', ');
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
