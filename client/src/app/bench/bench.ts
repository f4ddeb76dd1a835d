import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { SYMPTOMS, TESTS, isObservationName, showValue } from '@tetrad/core';
import type { Assessment, Reading, StepName, SymptomName } from '@tetrad/core';
import { BudgetView } from '../parts/budget-view';
import { GradeMark } from '../parts/grade-mark';
import { ProfileView } from '../parts/profile-view';
import { JobActions } from '../state/job/job.reducer';
import {
  selectAssessments,
  selectCriteria,
  selectJob,
  selectJobLoading,
  selectJudgement,
  selectPendingReadings,
  selectProfile,
} from '../state/job/job.selectors';
import { queued } from '../state/outbox/outbox-item';
import type { OutboxDraft } from '../state/outbox/outbox-item';
import { OutboxActions } from '../state/outbox/outbox.actions';
import { selectShop } from '../state/shop/shop.reducer';
import { Attempts } from './attempts';
import { BENCH_GROUPS, BENCH_STEPS } from './bench-steps';
import type { BenchStep } from './bench-steps';
import { JobLabel } from './job-label';
import { ReadingEntry } from './reading-entry';
import type { EnteredReading } from './reading-entry';
import { belongs, keyOf } from './step-key';
import { Verdicts } from './verdicts';

/** One job: the route, the step at hand, what it says, and the profile. */
@Component({
  selector: 'tt-bench',
  imports: [RouterLink, ProfileView, BudgetView, GradeMark, ReadingEntry, Attempts, Verdicts, JobLabel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bench.html',
  styleUrl: './bench.css',
  host: { '(document:keydown)': 'onKey($event)' },
})
export class Bench {
  readonly #store = inject(Store);
  readonly #router = inject(Router);

  /** The job's id, from the address. */
  readonly job = input.required<string>();

  protected readonly view = this.#store.selectSignal(selectJob);
  protected readonly loading = this.#store.selectSignal(selectJobLoading);
  protected readonly criteria = this.#store.selectSignal(selectCriteria);
  protected readonly assessments = this.#store.selectSignal(selectAssessments);
  protected readonly judgement = this.#store.selectSignal(selectJudgement);
  protected readonly profile = this.#store.selectSignal(selectProfile);
  protected readonly pending = this.#store.selectSignal(selectPendingReadings);
  readonly #shop = this.#store.selectSignal(selectShop);

  protected readonly groups = BENCH_GROUPS;
  protected readonly keyOf = keyOf;
  protected readonly names = TESTS;
  readonly #chosen = signal<string | null>(null);
  /** The last reading saved here and its step: what undo takes back, and where it returns to. */
  readonly #last = signal<{ readonly id: string; readonly step: BenchStep } | null>(null);

  /** The step at hand: chosen, else the judge's next, else the first note not read. */
  protected readonly step = computed((): BenchStep => {
    const chosen = BENCH_STEPS.find((step) => keyOf(step) === this.#chosen());
    const next = BENCH_STEPS.find((step) => step.test === this.nextTest() && !this.newest(step));
    return chosen ?? next ?? BENCH_STEPS.find((step) => step.note && !this.newest(step)) ?? BENCH_STEPS[0]!;
  });
  protected readonly attempts = computed(() =>
    this.assessments().filter(({ reading }) => belongs(reading, this.step())),
  );
  protected readonly nextTest = computed(() => this.judgement()?.next[0]?.test ?? null);
  protected readonly nextObservation = computed(() => {
    const next = this.nextTest();
    return next !== null && isObservationName(next) ? next : null;
  });
  protected readonly symptoms = computed(() =>
    (this.view()?.case.complaint?.symptoms ?? []).map((name) => SYMPTOMS[name as SymptomName]).join(', '),
  );

  /** What the foot shows: the profile, or where the volts went. */
  protected readonly foot = signal<'profile' | 'starting' | 'charging'>('profile');
  protected readonly budgets = computed(() => {
    const { starting = [], charging = [] } = this.judgement()?.budget ?? {};
    const all = [
      { name: 'starting', label: 'Volts while starting', pieces: starting },
      { name: 'charging', label: 'Volts while charging', pieces: charging },
    ] as const;
    return all.filter(({ pieces }) => pieces.length > 0);
  });
  protected readonly budget = computed(() => this.budgets().find(({ name }) => name === this.foot()) ?? null);

  constructor() {
    effect(() => {
      const id = this.job();
      untracked(() => {
        this.#chosen.set(null);
        this.#last.set(null);
        this.#store.dispatch(JobActions.opened({ id }));
      });
    });
  }

  protected newest(step: BenchStep): Assessment | undefined {
    const own = this.assessments().filter(({ reading }) => belongs(reading, step));
    return own.filter(({ reading }) => reading.void === undefined).at(-1);
  }
  protected readonly show = (reading: Reading): string => showValue(reading);

  protected choose(step: BenchStep): void {
    this.#chosen.set(keyOf(step));
  }

  /** Goes to the step a judgement names; an observation is asked for beside the verdicts. */
  protected goTo(name: StepName): void {
    const step = BENCH_STEPS.find(({ test }) => test === name);
    if (step) this.choose(step);
  }

  protected record({ value, notPossible, conditions }: EnteredReading): void {
    const step = this.step();
    const id = crypto.randomUUID();
    const reading: Reading = {
      id,
      test: step.test,
      value,
      ...(notPossible && { notPossible }),
      conditions: { ...conditions, ...step.fixed } as NonNullable<Reading['conditions']>,
    };
    this.#queue((shop, job) => ({ kind: 'reading', shop, job, body: { reading } }));
    this.#last.set({ id, step });
    const at = BENCH_STEPS.indexOf(step);
    const open = (candidate: BenchStep): boolean =>
      candidate.note === true && candidate !== step && !this.newest(candidate);
    const following = BENCH_STEPS.slice(at + 1).find(open) ?? BENCH_STEPS.find(open);
    if (step.note && following) this.choose(following);
    else this.choose(step);
  }

  protected voidReading({ id, reason }: { id: string; reason: string }): void {
    this.#queue((shop, job) => ({ kind: 'void', shop, job, reading: id, body: { reason } }));
  }

  protected observe(about: string, finding: string): void {
    if (!isObservationName(about)) return;
    this.#queue((shop, job) => ({
      kind: 'observation',
      shop,
      job,
      body: { id: crypto.randomUUID(), observation: { about, finding } },
    }));
  }

  protected change(changes: Omit<Extract<OutboxDraft, { kind: 'changes' }>['body'], 'version'>): void {
    const version = this.view()?.version ?? 1;
    this.#queue((shop, job) => ({ kind: 'changes', shop, job, body: { version, ...changes } }));
  }

  #queue(make: (shop: string, job: string) => OutboxDraft): void {
    const shop = this.#shop();
    if (shop !== null) this.#store.dispatch(OutboxActions.queued({ item: queued(make(shop, this.job())) }));
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.altKey && event.code === 'KeyP') {
      event.preventDefault();
      void this.#router.navigate(['/jobs', this.job(), 'report']);
    } else if (event.altKey && event.code === 'KeyZ') {
      event.preventDefault();
      const last = this.#last();
      if (last !== null) {
        this.voidReading({ id: last.id, reason: 'Undone' });
        this.choose(last.step);
      }
      this.#last.set(null);
    } else if (
      (event.key === 'ArrowDown' || event.key === 'ArrowUp') &&
      !(event.target instanceof HTMLSelectElement) &&
      !event.altKey
    ) {
      event.preventDefault();
      const at = BENCH_STEPS.indexOf(this.step()) + (event.key === 'ArrowDown' ? 1 : -1);
      this.choose(BENCH_STEPS[Math.min(BENCH_STEPS.length - 1, Math.max(0, at))]!);
    }
  }
}
