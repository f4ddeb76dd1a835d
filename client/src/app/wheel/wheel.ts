import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { CAUTIONS, TESTS, cautionsOfStep, decisionWords, readingWords, stepName } from '@tetrad/core';
import { GradeMark } from '../parts/grade-mark';
import { Clock } from '../state/clock/clock';
import { JobActions } from '../state/job/job.reducer';
import { selectAssessments, selectJob, selectJobLoading, selectJudgement } from '../state/job/job.selectors';
import { Figures } from '../state/figures';
import { newId } from '../state/new-id';
import { Entries } from '../state/outbox/entries';
import { selectWho } from '../state/shop/shop.reducer';
import { CountView } from '../waiting/count-view';
import { Sound } from '../waiting/sound';
import { TimerChips } from '../waiting/timer-chips';
import { runningCount } from '../waiting/timer-state';

/** The phone at the wheel: the count in step with the bench, in big words, and the reading as it is entered. */
@Component({
  selector: 'tt-wheel',
  imports: [CountView, GradeMark, RouterLink, TimerChips],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './wheel.html',
  styleUrl: './wheel.css',
})
export class Wheel {
  readonly #store = inject(Store);
  readonly #router = inject(Router);
  readonly #clock = inject(Clock);
  readonly #sound = inject(Sound);
  readonly #entries = inject(Entries);
  readonly #figures = inject(Figures);
  readonly job = input.required<string>();

  protected readonly view = this.#store.selectSignal(selectJob);
  protected readonly loading = this.#store.selectSignal(selectJobLoading);
  readonly #assessments = this.#store.selectSignal(selectAssessments);
  readonly #judgement = this.#store.selectSignal(selectJudgement);
  readonly #who = this.#store.selectSignal(selectWho);
  protected readonly name = signal('');

  protected readonly count = computed(() => {
    const timers = this.view()?.timers ?? [];
    return timers.length === 0 ? null : runningCount(timers, this.#clock.ticking());
  });
  protected readonly nextName = computed(() => {
    const next = this.#judgement()?.next[0]?.test;
    const decision = this.#judgement()?.decision;
    return next ? stepName(next) : decision ? decisionWords(decision) : '';
  });
  /** The newest reading, as the bench shows it. */
  protected readonly newest = computed(() => {
    const last = this.#assessments()
      .filter(({ reading }) => reading.void === undefined)
      .at(-1);
    return (
      last && { ...last, name: TESTS[last.reading.test].name, value: readingWords(last.reading, this.#figures.voice()) }
    );
  });
  /** The caution of cranking, where nobody has acknowledged it yet. */
  protected readonly caution = computed(() => {
    const known = this.view()?.acknowledgements ?? [];
    return cautionsOfStep('cranking-voltage').find((name) => !known.some(({ caution }) => caution === name)) ?? null;
  });
  protected readonly texts = CAUTIONS;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.#store.dispatch(JobActions.left()));
    effect(() => {
      const id = this.job();
      untracked(() => this.#store.dispatch(JobActions.opened({ id })));
    });
    let before: string | null = null;
    effect(() => {
      const id = this.newest()?.id ?? '';
      if (before !== null && id !== before && id !== '') this.#sound.play('read');
      before = id;
    });
  }

  protected start(): void {
    const body = { id: newId(), kind: 'crank' as const };
    const startedAt = this.#clock.now();
    this.#entries.queue((shop) => ({ kind: 'timer', shop, job: this.job(), startedAt, body }));
  }
  protected stop(timer: string): void {
    this.#entries.queue((shop) => ({ kind: 'timer-stop', shop, job: this.job(), timer }));
  }
  protected accept(): void {
    const caution = this.caution();
    const by = this.#who() || this.name().trim();
    if (caution === null || !by) return;
    this.#entries.queue((shop) => ({ kind: 'acknowledgement', shop, job: this.job(), body: { caution, by } }));
  }
  protected readonly who = this.#who;
  protected toBench(): void {
    void this.#router.navigate(['/jobs', this.job()]);
  }
}
