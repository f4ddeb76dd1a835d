import { Injectable, inject, signal } from '@angular/core';
import { CONDITIONS, TESTS, unitVolts } from '@tetrad/core';
import type { ConditionName, ReadingConditions, ReadingStep, WaitKind } from '@tetrad/core';
import { JobStore } from '../../../job/job.store';
import { controlValue } from '../../../kit/forms/control-value';
import { KeptEntries } from './kept-entries';
import { knownConditions } from './known-conditions';
import { LiveKept } from './live-kept';
import { blankForm, conditionsOf, fillKnown, readingForm } from './reading-form';
import type { ReadingForm } from './reading-form';

const CELLS_PER_12V = 6;
/** Before a step is known nothing is typed. */
const BLANK: ReadingForm = blankForm();

/** What an entry is typed for. */
export interface EnteredFor {
  readonly step: ReadingStep;
  /** Which of a pack; undefined for the pack as connected. */
  readonly battery: number | undefined;
  /** Waits of this job that have run out. */
  readonly waitedFor: ReadonlySet<WaitKind>;
}

/** The fields of the step at hand: what they begin with, what becomes known meanwhile, and what is kept over a reload. */
@Injectable()
export class EntryFields {
  readonly #job = inject(JobStore);
  readonly #kept = inject(KeptEntries);
  readonly #liveKept = inject(LiveKept);
  readonly #begun = signal<ReadingStep | null>(null);
  readonly form = signal<ReadingForm | null>(null);
  /** What is typed and chosen, at every change. */
  readonly typed = controlValue(() => this.form() ?? BLANK);

  /** True once the fields are those of the step. */
  isFor(step: ReadingStep): boolean {
    return this.form() !== null && this.#begun() === step;
  }

  /** Its usual conditions, the amps that are known already, what was typed before. @returns false before the job is there. */
  begin(entered: EnteredFor): boolean {
    const { step } = entered;
    const view = this.#job.view();
    if (!view) return false;
    const cells = (unitVolts(view.case.system) / 12) * CELLS_PER_12V;
    const form = readingForm(step, TESTS[step.test].kind === 'list' ? cells : 1, this.#known(entered));
    this.#kept.restore(this.#job.id(), step, form);
    this.form.set(form);
    this.#begun.set(step);
    return true;
  }

  /** Fills in what is known now. @param anew Over what stands there. */
  fill(entered: EnteredFor, anew: boolean): void {
    const form = this.form();
    if (form) fillKnown(form, entered.step, this.#known(entered), anew);
  }
  /** How a window was read stands in the fields, where it can be corrected. */
  fillRead(step: ReadingStep): void {
    const form = this.form();
    const read = this.#liveKept.kept()?.conditions;
    if (form && read) fillKnown(form, step, read, true);
  }

  /** What stands in the fields; what is read live goes before a usual figure that nobody touched. */
  conditions(step: ReadingStep): ReadingConditions {
    const form = this.form();
    if (!form) return {};
    const read = Object.entries(this.#liveKept.kept()?.conditions ?? {}).filter(
      ([name]) => form.controls.conditions.get(name)?.dirty !== true,
    );
    return { ...conditionsOf(form, step), ...Object.fromEntries(read) };
  }

  /** Keeps what is typed over a reload and a look at another step. */
  keep(step: ReadingStep): void {
    const form = this.form();
    if (form) this.#kept.keep(this.#job.id(), step, form);
  }

  /** Empties what was saved. */
  clear(step: ReadingStep): void {
    const form = this.form();
    form?.controls.typed.reset();
    // the next one has another name
    for (const name of Object.keys(step.asks) as ConditionName[])
      if (CONDITIONS[name].type === 'text') form?.controls.conditions.get(name)?.reset();
    this.#kept.drop(this.#job.id(), step);
  }

  #known({ step, battery, waitedFor }: EnteredFor): ReadingConditions {
    const surveyed = this.#job.surveyed();
    return surveyed ? knownConditions(step, surveyed.gradedCase, waitedFor, battery) : {};
  }
}
