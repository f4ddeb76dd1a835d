import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { isTestName } from '@tetrad/core';
import type { Case, StepName } from '@tetrad/core';
import { foundAt } from '@tetrad/core/practice';
import type { Done, Exercise, PracticeCall, Score } from '@tetrad/core/practice';
import { Sentences } from '../../../device/sentences';
import { Button } from '../../../kit/button';
import { Dialog } from '../../../kit/dialog';
import { Coming } from '../../../kit/states';
import { BenchPractice } from '../../../practice/bench-practice';
import type { FromPractice, ToPractice } from '../../../practice/practice-messages';
import { PracticeResults } from '../../../practice/practice-results';
import { practiceWorker } from '../../../practice/practice-worker.factory';
import { resultOf } from '../../../practice/result-of';
import { Api } from '../../../api/api';
import { selectShop } from '../../../state/session/session.feature';
import { CallDialog } from '../../../practice/call-dialog';
import { PracticeReview } from '../../../practice/practice-review';

/** A practice job on the bench: what the driver says, what is found where no instrument reads it, and the call. */
@Component({
  selector: 'tt-practice-strip',
  imports: [Button, CallDialog, Coming, Dialog, PracticeReview],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="strip">
      <p><strong>Practice.</strong> “{{ exercise().story }}” Kept on this device only.</p>
      @if (found(); as words) {
        <p role="status">
          You find: <strong>{{ words }}</strong>
        </p>
      }
      @if (step() === 'charge') {
        <button pButton (click)="charge()">Charge it fully</button>
      }
      @if (isScoring()) {
        <tt-coming says="The same vehicle by the judge’s own path …" />
      } @else {
        <button pButton kind="main" (click)="calling.set(true)">Call the part</button>
      }
      <button pButton kind="bare" (click)="end()">Give up</button>
    </div>
    @if (calling()) {
      <tt-call-dialog (called)="call($event)" (closed)="calling.set(false)" />
    }
    @if (scored(); as result) {
      <tt-dialog header="Review" (closed)="end()">
        <tt-practice-review [exercise]="exercise()" [scored]="result" (again)="again()" />
      </tt-dialog>
    }
  `,
  styles: `
    .strip {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 16px;
      padding: 4px 16px;
      border-bottom: 1px solid var(--line);
      background: var(--shade);
    }
    p {
      margin: 0;
    }
    p:first-child {
      margin-right: auto;
    }
  `,
})
export class PracticeStrip {
  readonly #api = inject(Api);
  readonly #results = inject(PracticeResults);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly #voice = inject(Sentences).voice;
  readonly #bench = inject(BenchPractice);
  readonly #router = inject(Router);
  readonly job = input.required<string>();
  readonly exercise = input.required<Exercise>();
  readonly subject = input.required<Case>();
  /** The step at hand. */
  readonly step = input.required<StepName | null>();
  protected readonly calling = signal(false);
  protected readonly isScoring = signal(false);
  protected readonly scored = signal<{ readonly score: Score; readonly done: readonly Done[] } | null>(null);
  readonly #worker = practiceWorker();

  /** What nobody could see, hear or read from an instrument here. */
  protected readonly found = computed(() => {
    const step = this.step();
    if (step === null || step === 'charge' || step === 'label') return null;
    const found = foundAt(this.exercise(), step);
    if (found === null) return null;
    if (typeof found === 'object') return found.join(', ');
    return typeof found === 'number' && isTestName(step)
      ? this.#voice().value(step, found)
      : String(found).replaceAll('-', ' ');
  });

  constructor() {
    this.#worker.addEventListener('message', ({ data }: MessageEvent<FromPractice>) => {
      if (data.kind !== 'score') return;
      this.isScoring.set(false);
      this.scored.set(data);
      this.#results.add(resultOf(this.exercise(), 'with-help', data));
    });
    inject(DestroyRef).onDestroy(() => {
      this.#worker.terminate();
      if (this.scored() !== null) this.#bench.end(this.job());
    });
  }

  protected end(): void {
    this.#bench.end(this.job());
    void this.#router.navigate(['/practice']);
  }
  protected again(): void {
    this.#bench.end(this.job());
    this.#bench.begin(this.exercise());
  }
  protected charge(): void {
    const shop = this.#shop();
    if (shop !== null) this.#api.moveSimulatedVehicle(shop, { isCharged: true }).subscribe({ error: () => undefined });
  }
  protected call(call: PracticeCall): void {
    this.calling.set(false);
    this.isScoring.set(true);
    const message: ToPractice = { kind: 'score-bench', exercise: this.exercise(), subject: this.subject(), call };
    this.#worker.postMessage(message);
  }
}
