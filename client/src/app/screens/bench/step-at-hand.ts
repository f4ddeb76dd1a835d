import { DestroyRef, Injectable, computed, inject, signal, untracked } from '@angular/core';
import { STEP_NAMES, blockedSteps, isTried, nextStep, repeatsOf, settlingReading } from '@tetrad/core';
import type { NextStep, RouteStep, StepName } from '@tetrad/core';
import { Settings } from '../../device/settings';
import { JobStore } from '../../job/job.store';
import { BENCH_STEPS } from './route/bench-steps';
import { belongs, findStep, keyOf, stepNameOf } from './route/step-key';

/** After a key the step stays for this long, whatever comes in from elsewhere, ms. */
const HELD_MS = 2000;

/** Which step of the route is at hand, and where the bench goes from it. */
@Injectable()
export class StepAtHand {
  readonly #job = inject(JobStore);
  readonly #settings = inject(Settings);
  readonly #chosen = signal<string | null>(null);
  /** The step that somebody is busy with: it does not change by itself. */
  readonly #held = signal<string | null>(null);
  readonly #isTyping = signal(false);
  #letGo: ReturnType<typeof setTimeout> | undefined;

  readonly repeats = computed(() => {
    const surveyed = this.#job.surveyed();
    return surveyed ? repeatsOf(surveyed) : [];
  });
  /** What to do next; null where nothing is left. */
  readonly next = computed((): NextStep | null => {
    const [surveyed, judgement] = [this.#job.surveyed(), this.#job.judgement()];
    if (this.#job.view()?.status === 'closed') return null; // closed: its decision is shown, nothing is asked for
    return surveyed && judgement ? nextStep(surveyed, judgement, this.#job.pass()) : null;
  });
  /** The step at hand: chosen, else what comes next, else the first note not read. */
  readonly step = computed((): RouteStep => {
    const key = this.#chosen() ?? this.#held();
    const chosen = BENCH_STEPS.find((step) => keyOf(step) === key);
    return (
      chosen ??
      this.#asked() ??
      this.#settled() ??
      BENCH_STEPS.find((step) => this.#isOpenNote(step)) ??
      findStep('resting-voltage')!
    );
  });
  /** True where the step at hand is the one the judge points at. */
  readonly isNext = computed(() => this.step() === this.#asked());
  /** The battery is charged just now, until it is read at rest. */
  readonly isOnCharger = computed(() => (this.#job.view()?.timers ?? []).some(({ kind }) => kind === 'charge'));
  readonly blocked = computed(() => {
    const surveyed = this.#job.surveyed();
    return surveyed
      ? blockedSteps(surveyed.gradedCase, STEP_NAMES, { isOnCharger: this.isOnCharger() })
      : new Map<StepName, never>();
  });
  readonly blockedNow = computed(() => {
    const name = stepNameOf(this.step());
    return (name !== null && this.blocked().get(name)) || null;
  });

  readonly #picks = signal(0);
  /** How often a step was chosen, the same one again too: its entry has the next key. */
  readonly picks = this.#picks.asReadonly();
  /** Somebody types here, or did a moment ago. */
  readonly isHeld = computed(() => this.#held() !== null || this.#isTyping());

  constructor() {
    inject(DestroyRef).onDestroy(() => clearTimeout(this.#letGo));
  }

  /** A key was pressed, or what is typed has changed: the step at hand stays. */
  hold(): void {
    untracked(() => {
      this.#held.set(keyOf(this.step()));
      clearTimeout(this.#letGo);
      this.#letGo = setTimeout(() => {
        if (!this.#isTyping()) this.#held.set(null);
      }, HELD_MS);
    });
  }
  /** Something stands in the entry that is not saved; while it does the step stays. */
  type(isTyping: boolean): void {
    if (isTyping === untracked(this.#isTyping)) return;
    this.#isTyping.set(isTyping);
    this.hold();
  }

  choose(step: RouteStep): void {
    this.#chosen.set(keyOf(step));
    this.#picks.update((count) => count + 1);
  }
  /** Goes to the step a judgement, a timer or a path names. @returns false where the route has no such step. */
  goTo(name: StepName, loads?: unknown): boolean {
    const step = findStep(name, loads);
    if (step) this.choose(step);
    return step !== undefined;
  }
  chooseKey(key: string | null): void {
    this.#chosen.set(key);
  }
  /** To what comes next. */
  onward(): void {
    this.#chosen.set(null);
    if (this.#held() === null) return;
    this.#held.set(null);
    this.hold(); // at what comes next now
  }
  /** One step down or up the route. */
  move(by: 1 | -1): void {
    const at = BENCH_STEPS.indexOf(this.step()) + by;
    this.choose(BENCH_STEPS[Math.min(BENCH_STEPS.length - 1, Math.max(0, at))]!);
  }

  /** After a reading: where the judge points, or on through the four notes, as this device was set. */
  afterReading(step: RouteStep): void {
    if (this.#job.pass() === 'after' || this.#settings.choice().afterEnter === 'judge') return this.onward();
    const at = BENCH_STEPS.indexOf(step);
    const open = (candidate: RouteStep): boolean => candidate !== step && this.#isOpenNote(candidate);
    const following = BENCH_STEPS.slice(at + 1).find(open) ?? BENCH_STEPS.find(open);
    this.choose(step.kind === 'reading' && step.note && following ? following : step);
  }

  #asked(): RouteStep | undefined {
    const next = this.next();
    return next ? findStep(next.test, next.conditions['loads']) : undefined;
  }

  /** Nothing is asked for any more: the reading that settled it; told to stop, nothing is asked for, so the newest. */
  #settled(): RouteStep | undefined {
    const judgement = this.#job.judgement();
    const assessments = this.#job.assessments();
    const newest = judgement?.decision.action === 'stop' ? assessments.at(-1) : undefined;
    const reading = ((judgement && settlingReading(judgement, assessments)) ?? newest)?.reading;
    return reading ? findStep(reading.test, reading.conditions?.loads) : undefined;
  }

  #isOpenNote(step: RouteStep): boolean {
    return (
      step.kind === 'reading' &&
      step.note === true &&
      !this.#job.assessments().some(({ reading }) => belongs(reading, step) && isTried(reading, this.#job.pass()))
    );
  }
}
