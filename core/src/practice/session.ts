/** A visit to the bay: everything that was done in its order, what it took, and what was believed after each reading. */
import type { Judgement, NextStep } from '../format/judgement-shape';
import type { FaultName, ObservationName, StepName, TestName } from '../format/names';
import { judge } from '../words/en/judgement';
import { PracticeBay } from './bay';
import type { Written } from './bay';
import { demonstrate } from './demonstrate';
import type { Exercise } from './exercise';
import { judgesPath } from './judges-path';
import { score } from './score';
import type { PracticeCall, Score } from './score';
import { StepMinutes } from './step-minutes';

/** One thing that was done. */
export interface Done {
  readonly step: StepName;
  /** Minutes of work when it was done. */
  readonly minutes: number;
  /** The most probable faults after it. */
  readonly believed: readonly { readonly fault: FaultName; readonly probability: number }[];
}

/** Of the faults so many are told. */
const TOLD_FAULTS = 5;

export class PracticeSession {
  readonly bay: PracticeBay;
  readonly #minutes = new StepMinutes();
  readonly #done: Done[] = [];
  #said: Judgement;
  #hints = 0;

  constructor(readonly exercise: Exercise) {
    this.bay = new PracticeBay(exercise);
    this.#said = judge(this.bay.case);
  }

  get judgement(): Judgement {
    return this.#said;
  }
  get minutes(): number {
    return this.#minutes.total;
  }
  get done(): readonly Done[] {
    return this.#done;
  }

  write(): Written {
    const written = this.bay.write();
    if ('test' in written) this.#note(written.test, this.bay.controls.loads === 'off' ? 'off' : 'on');
    return written;
  }
  look(about: ObservationName): void {
    this.bay.look(about);
    this.#note(about);
  }
  special(test: TestName): void {
    this.bay.special(test);
    this.#note(test);
  }
  charge(): void {
    this.bay.charge();
    this.#note('charge');
  }
  /** Waiting is skipped, and counts. */
  wait(minutes: number): void {
    this.bay.advance(minutes * 60);
    this.#minutes.wait(minutes);
  }
  /** What the judge would do now; it costs points. */
  hint(): NextStep | null {
    this.#hints += 1;
    return this.#said.next[0] ?? null;
  }
  /** Does a step as it should be done. */
  show(step: NextStep): void {
    demonstrate(this.bay, step);
    this.#note(step.test, step.conditions['loads']);
  }

  /** The call ends the visit. */
  call(call: PracticeCall): Score {
    const visit = { bay: this.bay, said: this.#said, minutes: this.minutes, hints: this.#hints };
    return score(call, visit, judgesPath(this.exercise));
  }

  #note(step: StepName, loads?: unknown): void {
    this.#minutes.add(step, loads);
    this.#said = judge(this.bay.case);
    const believed = this.#said.faults.slice(0, TOLD_FAULTS).map(({ fault, probability }) => ({ fault, probability }));
    this.#done.push({ step, minutes: this.minutes, believed });
  }
}
