import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { describeMisfits } from '@tetrad/core';
import { EXERCISE_GROUPS, readExercise, writeExercise } from '@tetrad/core/practice';
import type { Exercise } from '@tetrad/core/practice';
import { Store } from '@ngrx/store';
import { InputText } from 'primeng/inputtext';
import { TableModule } from 'primeng/table';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { Field } from '../../kit/field';
import { FileButton } from '../../kit/file-button';
import { Fold } from '../../kit/fold';
import { Message } from '../../kit/message';
import { saveText } from '../../kit/save-file';
import { OwnExercises } from '../../practice/own-exercises';
import { PracticeResults } from '../../practice/practice-results';
import { proposed } from '../../practice/repetition';
import { selectMay } from '../../state/session/session.feature';
import { ExerciseDialog } from './exercise-dialog';
import { PointsChart } from './points-chart';

/** The exercises of the practice bay, how each went, and which to take next. */
@Component({
  selector: 'tt-practice-list',
  imports: [
    Button,
    DatePipe,
    ExerciseDialog,
    Field,
    FileButton,
    Fold,
    InputText,
    Message,
    PointsChart,
    ReactiveFormsModule,
    RouterLink,
    TableModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="kit-bar">
      <h1>Practice</h1>
      <p class="soft">
        A simulated vehicle with a hidden fault: put the leads on, turn the key, read the meter, call the part. Nothing
        of it is a job.
      </p>
      @if (seesClass()) {
        <a pButton kind="bare" routerLink="/practice/class">Class</a>
        <button pButton kind="bare" (click)="writing.set(true)">Write an exercise</button>
      }
      <button pButton kind="bare" (click)="exportCsv()">Export CSV</button>
      <tt-file-button label="Open an exercise" accept=".json" kind="bare" (chosen)="openFile($event)" />
      <form class="any" [formGroup]="form" (ngSubmit)="openAny()">
        <tt-field label="Any vehicle, by number" [error]="problem()">
          <input pInputText inputmode="numeric" autocomplete="off" formControlName="seed" />
        </tt-field>
        <button pButton type="submit">Open</button>
      </form>
    </div>
    @if (writing()) {
      <tt-exercise-dialog (written)="keepWritten($event)" (closed)="writing.set(false)" />
    }
    @if (refused(); as why) {
      <tt-message>The exercise was not opened. {{ why }}</tt-message>
    }
    @if (next(); as one) {
      <p class="next">
        <a pButton kind="main" [routerLink]="['/practice', one.id]">Next: {{ one.title }}</a>
        <span class="soft">{{ one.why }}</span>
      </p>
    }
    @if (results().length > 1) {
      <tt-fold says="My points over time">
        <tt-points-chart who="mine" [results]="results()" />
      </tt-fold>
    }
    <p-table [value]="rows()" dataKey="id" rowGroupMode="subheader" groupRowsBy="group">
      <ng-template #groupheader let-row>
        <tr class="group">
          <th scope="rowgroup" colspan="4">{{ row.group }}</th>
        </tr>
      </ng-template>
      <ng-template #header>
        <tr>
          <th scope="col">Exercise</th>
          <th scope="col" class="kit-wide">What the driver says</th>
          <th scope="col">Best</th>
          <th scope="col" class="kit-wide">Last</th>
        </tr>
      </ng-template>
      <ng-template #body let-row>
        <tr>
          <td>
            <a pButton kind="link" [routerLink]="['/practice', row.id]">{{ row.title }}</a>
          </td>
          <td class="kit-wide">{{ row.story }}</td>
          <td class="figure">{{ row.best === null ? '–' : row.best + ' points' }}</td>
          <td class="kit-wide">{{ row.last ? (row.last | date: 'd MMM, HH:mm') : 'Not yet' }}</td>
        </tr>
      </ng-template>
    </p-table>
  `,
  styles: `
    .kit-bar p {
      flex: 1 1 320px;
    }
    .any {
      display: flex;
      align-items: end;
      gap: 8px;
    }
    .any tt-field {
      width: 190px;
    }
    tt-fold {
      display: block;
      padding: 0 16px;
    }
    .group th {
      padding: 8px 16px;
      text-align: left;
      background: var(--shade);
    }
    .next {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 16px;
      margin: 0;
      padding: 0 16px 12px;
    }
  `,
})
export class PracticeList {
  readonly #router = inject(Router);
  readonly #csv = inject(CsvFiles);
  readonly #results = inject(PracticeResults);
  protected readonly form = new FormGroup({
    seed: new FormControl('', {
      nonNullable: true,
      validators: [Validators.required, Validators.pattern(/^\s*\d{1,9}\s*$/)],
    }),
  });
  readonly #own = inject(OwnExercises);
  protected readonly writing = signal(false);
  protected readonly refused = signal<string | null>(null);
  protected readonly problem = signal<string | null>(null);
  /** Of whoever works here, the oldest first. */
  protected readonly results = this.#results.all;
  protected readonly seesClass = inject(Store).selectSignal(selectMay('see-class'));
  readonly #groups = computed(() => [
    ...this.#own.all.map((one) => ({ ...one, group: 'From files' })),
    ...EXERCISE_GROUPS.flatMap(({ name, exercises }) => exercises.map((one) => ({ ...one, group: name }))),
  ]);
  protected readonly rows = computed(() =>
    this.#groups().map(({ group, id, title, story }) => {
      const results = this.#results.of(id);
      return {
        group,
        id,
        title,
        story,
        best: results.length === 0 ? null : Math.max(...results.map(({ points }) => points)),
        last: results.at(-1)?.at ?? null,
        times: results.length,
      };
    }),
  );

  /** Which exercise is taken next, and why. */
  protected readonly next = computed(() => {
    const proposal = proposed(this.#results.all(), new Date());
    const exercise = this.#groups().find(({ id }) => id === proposal?.exercise);
    if (!proposal || !exercise) return null;
    const why = proposal.why === 'due' ? 'Due again.' : 'Not tried yet.';
    return { id: exercise.id, title: exercise.title, why };
  });

  protected openAny(): void {
    this.problem.set(this.form.valid ? null : 'A whole number, up to nine digits');
    if (!this.form.valid) return;
    void this.#router.navigate(['/practice', `any-${this.form.getRawValue().seed.trim()}`]);
  }
  /** An exercise that somebody wrote: every fault of the file is named by its path. */
  protected async openFile(file: File): Promise<void> {
    const result = readExercise(await file.text());
    this.refused.set(result.ok ? null : describeMisfits(result.misfits));
    if (result.ok) void this.#router.navigate(['/practice', this.#own.add(result.exercise)]);
  }
  /** What a lead wrote is at this device, and a file to be given to the class. */
  protected keepWritten(exercise: Exercise): void {
    this.writing.set(false);
    saveText(`${exercise.id}.tetrad-exercise.json`, 'application/json', writeExercise(exercise));
    void this.#router.navigate(['/practice', this.#own.add(exercise)]);
  }
  protected exportCsv(): void {
    const table = this.rows().map(({ group, id, title, best, last, times }) => ({
      group,
      exercise: id,
      title,
      times,
      'best points': best ?? '',
      last: last ?? '',
    }));
    void this.#csv.save('practice', table);
  }
}
