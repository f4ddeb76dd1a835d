import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { PracticedPerson } from '@tetrad/contracts';
import type { PracticeResult } from '@tetrad/core';
import { EXERCISES } from '@tetrad/core/practice';
import { TableModule } from 'primeng/table';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { Message } from '../../kit/message';
import { Coming, Empty } from '../../kit/states';
import { proposed } from '../../practice/repetition';
import { Api } from '../../api/api';
import { selectMay, selectShop } from '../../state/session/session.feature';
import { PointsChart } from './points-chart';

/** A lesson is weak under so many points. */
const WEAK_UNDER = 70;
/** Of a person so many weak lessons are named. */
const NAMED = 3;

const mean = (values: readonly number[]): number | null =>
  values.length === 0 ? null : Math.round(values.reduce((sum, value) => sum + value, 0) / values.length);
const title = (id: string): string => EXERCISES.find((one) => one.id === id)?.title ?? id;
/** The newest result of each exercise. */
const newest = (results: readonly PracticeResult[]): readonly PracticeResult[] => [
  ...new Map(results.map((one) => [one.exercise, one])).values(),
];

/** What everybody practiced: which lessons are weak, by person and in the whole class, and what to try next. */
@Component({
  selector: 'tt-practice-class',
  imports: [Button, Coming, DatePipe, Empty, Message, PointsChart, RouterLink, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="kit-bar">
      <h1>Class</h1>
      <a pButton kind="bare" routerLink="/practice">All exercises</a>
      <button pButton kind="bare" [disabled]="count() === 0" (click)="exportCsv()">Export CSV</button>
    </div>
    @if (!may()) {
      <tt-message>Leads and administrators see the class.</tt-message>
    } @else if (problem(); as why) {
      <tt-message>
        The class could not be loaded. {{ why }}
        <button pButton (click)="load()">Try again</button>
      </tt-message>
    } @else if (people(); as listed) {
      @if (count() === 0) {
        <tt-empty says="Nobody has called a part in the practice bay yet." />
      } @else {
        @if (weakLessons().length > 0) {
          <section aria-label="Weak lessons">
            <h2>Weak lessons</h2>
            <ol>
              @for (lesson of weakLessons(); track lesson.id) {
                <li>
                  <a [routerLink]="['/practice', lesson.id]">{{ lesson.title }}</a>: {{ lesson.points }} points,
                  {{ lesson.people }} {{ lesson.people === 1 ? 'person' : 'people' }}.
                  <span class="soft">{{ lesson.lesson }}</span>
                </li>
              }
            </ol>
          </section>
        }
        <p-table [value]="rows()" dataKey="id">
          <ng-template #header>
            <tr>
              <th scope="col">Person</th>
              <th scope="col">Lessons</th>
              <th scope="col">Points</th>
              <th scope="col" class="kit-wide">Weak</th>
              <th scope="col">Next</th>
              <th scope="col" class="kit-wide">Last</th>
            </tr>
          </ng-template>
          <ng-template #body let-row>
            <tr>
              <td>
                @if (row.results.length > 0) {
                  <button pButton kind="link" [attr.aria-expanded]="shown() === row.id" (click)="show(row.id)">
                    {{ row.name }}
                  </button>
                } @else {
                  {{ row.name }}
                }
              </td>
              <td class="figure">{{ row.lessons }} of {{ total }}</td>
              <td class="figure">{{ row.points ?? '–' }}</td>
              <td class="kit-wide">{{ row.weak.join(', ') || '–' }}</td>
              <td>
                @if (row.next; as next) {
                  <a [routerLink]="['/practice', next]">{{ titleOf(next) }}</a>
                } @else {
                  Nothing is due
                }
              </td>
              <td class="kit-wide">{{ row.last ? (row.last | date: 'd MMM, HH:mm') : 'Not yet' }}</td>
            </tr>
          </ng-template>
        </p-table>
        @if (overTime(); as one) {
          <section [attr.aria-label]="one.name">
            <h2>{{ one.name }}, over time</h2>
            <tt-points-chart [who]="one.name" [results]="one.results" />
          </section>
        }
      }
    } @else {
      <tt-coming says="Loading the class …" />
    }
  `,
  styles: `
    h1 {
      flex: 1;
    }
    section {
      padding: 8px 16px 16px;
    }
    h2 {
      font-size: var(--text-s);
    }
    ol {
      display: grid;
      gap: 8px;
      margin: 0;
      padding-left: 24px;
    }
  `,
})
export class PracticeClass {
  readonly #api = inject(Api);
  readonly #csv = inject(CsvFiles);
  readonly #store = inject(Store);
  readonly #shop = this.#store.selectSignal(selectShop);
  protected readonly may = this.#store.selectSignal(selectMay('see-class'));
  protected readonly people = signal<readonly PracticedPerson[] | null>(null);
  protected readonly problem = signal<string | null>(null);
  protected readonly total = EXERCISES.length;
  protected readonly titleOf = title;
  protected readonly count = computed(() =>
    (this.people() ?? []).reduce((sum, { results }) => sum + results.length, 0),
  );

  protected readonly rows = computed(() =>
    (this.people() ?? []).map(({ id, name, results }) => {
      const last = newest(results);
      const weak = last.filter(({ points }) => points < WEAK_UNDER).sort((a, b) => a.points - b.points);
      return {
        id,
        name,
        results,
        lessons: last.filter(({ exercise }) => EXERCISES.some((one) => one.id === exercise)).length,
        points: mean(last.map(({ points }) => points)),
        weak: weak.slice(0, NAMED).map(({ title }) => title),
        next: proposed(results, new Date())?.exercise ?? null,
        last: results.at(-1)?.at ?? null,
      };
    }),
  );
  /** The person whose calls are shown over time. */
  protected readonly shown = signal<string | null>(null);
  protected readonly overTime = computed(() => this.rows().find(({ id }) => id === this.shown()) ?? null);
  protected show(id: string): void {
    this.shown.update((before) => (before === id ? null : id));
  }
  /** Over the whole class, by everybody's newest visit, the weakest first. */
  protected readonly weakLessons = computed(() => {
    const all = (this.people() ?? []).flatMap(({ results }) => newest(results));
    return EXERCISES.flatMap(({ id, title, lesson }) => {
      const points = all.filter(({ exercise }) => exercise === id).map((one) => one.points);
      const average = mean(points);
      return average !== null && average < WEAK_UNDER
        ? [{ id, title, lesson, points: average, people: points.length }]
        : [];
    }).sort((a, b) => a.points - b.points);
  });

  constructor() {
    effect(() => {
      if (this.may() && this.#shop() !== null) untracked(() => this.load());
    });
  }

  protected load(): void {
    const shop = this.#shop();
    if (shop === null) return;
    this.problem.set(null);
    this.#api.getClass(shop).subscribe({
      next: (people) => this.people.set(people),
      error: () => this.problem.set('The server does not answer.'),
    });
  }
  protected exportCsv(): void {
    const table = (this.people() ?? []).flatMap(({ name, results }) =>
      results.map(({ steps, voids, safety, id: _id, title: _title, ...result }) => ({
        person: name,
        title: title(result.exercise),
        ...result,
        steps: steps.join(' '),
        voids: voids.join(' '),
        safety: safety.join(' '),
      })),
    );
    void this.#csv.save('practice-class', table);
  }
}
