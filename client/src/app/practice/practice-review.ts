import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { FAULTS, TESTS, capital, decisionWords, isTestName, stepName } from '@tetrad/core';
import { SAFETY_EVENTS, writeExercise } from '@tetrad/core/practice';
import type { Done, Exercise, Score } from '@tetrad/core/practice';
import { Figures } from '../device/figures';
import { Button } from '../kit/button';
import { saveText } from '../kit/save-file';
import { BeliefChart } from './belief-chart';

/** How a visit went, held against the judge's own path on the same vehicle. */
@Component({
  selector: 'tt-practice-review',
  imports: [BeliefChart, Button, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="sheet">
      <header>
        <p class="figure points">{{ score().points }}<span class="soft"> of 100 points</span></p>
        <h1>{{ verdict() }}</h1>
        <p>{{ truth() }}. {{ exercise().lesson }}</p>
      </header>
      <dl>
        <dt>Proof</dt>
        <dd>{{ proof() }}</dd>
        <dt>Order</dt>
        <dd>
          @for (one of tooEarly(); track $index) {
            <p>{{ one }}</p>
          } @empty {
            Nothing was taken too early.
          }
        </dd>
        <dt>Void readings</dt>
        <dd>
          @for (one of voids(); track $index) {
            <p>{{ one }}</p>
          } @empty {
            None.
          }
        </dd>
        <dt>Minutes</dt>
        <dd>{{ minutes() }}</dd>
        <dt>Safety</dt>
        <dd>
          @for (one of safety(); track one) {
            <p>{{ one }}</p>
          } @empty {
            Nothing unsafe.
          }
        </dd>
      </dl>
      @if (scored().done.length > 1) {
        <h2>What was believed</h2>
        <tt-belief-chart [done]="scored().done" />
      }
      <h2>The judge’s own path</h2>
      <ol>
        @for (step of path(); track $index) {
          <li>{{ step }}</li>
        }
      </ol>
      <div class="row">
        <button pButton kind="main" (click)="again.emit()">The same vehicle again</button>
        <button pButton (click)="give()">Save the exercise as a file</button>
        <a pButton routerLink="/practice">All exercises</a>
      </div>
    </div>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 12px;
      max-width: 860px;
      padding: 16px;
    }
    .points {
      font-size: var(--text-figure);
      line-height: 1.2;
    }
    .points .soft {
      font-family: var(--sans);
      font-size: 16px;
    }
    p,
    h1,
    h2,
    ol,
    dl,
    dd {
      margin: 0;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 8px 24px;
    }
    dt {
      color: var(--ink-soft);
    }
    h2 {
      font-size: var(--text-base);
    }
    .row {
      display: flex;
      gap: 12px;
    }
  `,
})
export class PracticeReview {
  readonly #figures = inject(Figures);
  readonly exercise = input.required<Exercise>();
  readonly scored = input.required<{ readonly score: Score; readonly done: readonly Done[] }>();
  readonly again = output();
  /** Title, story and lesson can be changed in it before it is given to a class. */
  protected give(): void {
    const { id } = this.exercise();
    saveText(`${id}.tetrad-exercise.json`, 'application/json', writeExercise(this.exercise()));
  }
  protected readonly score = computed(() => this.scored().score);
  protected readonly verdict = computed(() => {
    const { isRight, isProven } = this.score();
    if (!isRight) return 'Not the right call';
    return isProven ? 'Right, and proven' : 'Right, but not proven';
  });
  protected readonly truth = computed(() => {
    const faults = this.exercise().faults.map((fault) => FAULTS[fault].name);
    return `${decisionWords({ ...this.score().truth, fault: null })}: ${faults.join(', ')}`;
  });
  protected readonly proof = computed(() => {
    const { isProven, missing } = this.score();
    if (isProven) return 'The judge makes the same call from these readings.';
    if (missing.length === 0) return 'The judge does not make this call from these readings.';
    return `Not tested: ${missing.map((step) => stepName(step)).join(', ')}.`;
  });
  protected readonly tooEarly = computed(() =>
    this.score().tooEarly.map(({ step, because }) => `${capital(stepName(step))}: ${because}`),
  );
  protected readonly voids = computed(() =>
    this.score().voids.map(
      ({ test, because }) => `${isTestName(test) ? TESTS[test].name : stepName(test)}: ${because}`,
    ),
  );
  protected readonly minutes = computed(() => {
    const { plain } = this.#figures.format();
    const { minutes, judge, hints } = this.score();
    const told = hints === 0 ? '' : ` ${hints === 1 ? 'One hint' : `${hints} hints`}.`;
    return `${plain(Math.round(minutes), 0)}; the judge’s own path takes ${plain(Math.round(judge.minutes), 0)}, the fixed order 197.${told}`;
  });
  protected readonly safety = computed(() => this.score().safety.map((event) => SAFETY_EVENTS[event]));
  protected readonly path = computed(() => this.score().judge.steps.map((step) => capital(stepName(step))));
}
