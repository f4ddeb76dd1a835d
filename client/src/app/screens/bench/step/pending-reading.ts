import { Injectable, inject, linkedSignal, signal } from '@angular/core';
import { TESTS, openQuestion } from '@tetrad/core';
import type { Answer, Question, ReadingStep } from '@tetrad/core';
import { JobStore } from '../../../job/job.store';
import type { EnteredReading } from '../../../job/commands';
import { EntryFields } from './entry-fields';

export type Entered = Omit<EnteredReading, 'battery'> & { battery?: number | undefined };

/** A reading that waits for an answer before it is saved, and the doubtful figure that somebody has said is right. */
@Injectable()
export class PendingReading {
  readonly #job = inject(JobStore);
  readonly #fields = inject(EntryFields);
  #waiting: Entered | null = null;
  /** The doubtful figure that is meant. */
  readonly meant = signal<number | null>(null);
  /** What is asked with the figure that was typed; null while nothing is. */
  readonly asked = linkedSignal<string, Question | null>({
    source: () => this.#fields.typed().typed.join(' '),
    computation: (typed, before) => (before?.source === typed ? before.value : null),
  });

  /** Asks what the reading depends on, where nobody has said it. @returns false where there is nothing to ask, or it was asked. */
  ask(entered: Entered, { test }: ReadingStep, battery: number | undefined): boolean {
    const surveyed = this.#job.surveyed();
    const { value, conditions = {} } = entered;
    if (this.asked() !== null || !surveyed || typeof value !== 'number') return false;
    const question = openQuestion(TESTS[test].question, { value, conditions, ...surveyed, battery });
    if (!question) return false;
    this.#waiting = entered;
    this.asked.set(question);
    return true;
  }

  /** The reading with the answer in it; null where none waits. */
  answered({ value }: Answer): Entered | null {
    const [question, waiting] = [this.asked(), this.#waiting];
    if (question === null || waiting === null) return null;
    return { ...waiting, conditions: { ...waiting.conditions, [question.condition]: value } };
  }

  clear(): void {
    this.meant.set(null);
    this.asked.set(null);
    this.#waiting = null;
  }
}
