import { Injectable, computed, inject } from '@angular/core';
import { TESTS, TICKS, derivedWords, isTestName, retell, stepMinutes, stepName, stepOf } from '@tetrad/core';
import { Sentences } from '../../../device/sentences';
import { JobStore } from '../../../job/job.store';
import { findingWords } from '../../../job/finding-words';
import { nameOfStep, stepNameOf } from '../route/step-key';
import { StepAtHand } from '../step-at-hand';
import { StepReading } from './step-reading';

/** What is said of the step at hand: its name, why it is asked, what it costs, what must be so, what it gives. */
@Injectable()
export class StepWords {
  readonly #job = inject(JobStore);
  readonly #at = inject(StepAtHand);
  readonly #reading = inject(StepReading);
  readonly #voice = inject(Sentences).voice;
  readonly #name = computed(() => stepNameOf(this.#at.step()));

  /** The step's name, and of what is looked at the newest finding. */
  readonly title = computed(() => {
    const step = this.#at.step();
    const name = nameOfStep(step);
    const found = this.#job
      .view()
      ?.case.observations?.filter(({ about }) => step.kind === 'observe' && about === step.about)
      .at(-1);
    return found ? `${name}: ${findingWords(found.finding)}` : name;
  });
  /** Why the bench came here, in a line. */
  readonly why = computed((): string => {
    const next = this.#at.next();
    return next && this.#at.isNext() && !this.#reading.isShown() ? retell(next, this.#voice()) : '';
  });
  /** What else is read at this hook-up. */
  readonly sameHookUp = computed(() => {
    const name = this.#name();
    const place = name && stepOf(name)?.place;
    if (!place) return [];
    return (this.#job.judgement()?.next ?? [])
      .map(({ test }) => test)
      .filter((test) => test !== name && stepOf(test)?.place === place)
      .map((test) => ({ test, name: isTestName(test) ? TESTS[test].name : stepName(test) }));
  });
  /** What taking this step now costs, where the judge would take another first. */
  readonly cost = computed((): string | null => {
    const name = this.#name();
    const next = this.#at.next();
    if (name === null || next === null || next.test === name || this.#reading.attempts().length > 0) return null;
    const own = stepMinutes(name);
    return own === null
      ? null
      : `About ${own} min. ${stepName(next.test)} would settle more now: about ${next.minutes} min.`;
  });
  /** What must be so before it is read. */
  readonly reminders = computed(() => {
    const step = this.#reading.step();
    // in series each has its own two posts; in parallel all share them
    const isParallel = this.#job.view()?.case.system.battery.arrangement === 'parallel';
    const isolated =
      isParallel && this.#reading.batteries().length > 0 && this.#reading.battery() > 0 ? [TICKS.isolated] : [];
    return step ? [...step.ticks.map((name) => TICKS[name]), ...isolated] : [];
  });
  /** What this reading gives together with the others. */
  readonly gives = computed(() => {
    const step = this.#reading.step();
    const [derived, surveyed] = [this.#job.judgement()?.derived, this.#job.surveyed()];
    return step && derived && surveyed && this.#reading.counted().length > 0
      ? derivedWords(step.test, derived, surveyed.gradedCase, this.#voice())
      : [];
  });
}
