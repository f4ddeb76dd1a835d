/** A visit to the bay: everything that was done in its order, what it took, and what was believed after each reading. */
import type { Case } from '../format/case-shape';
import type { Judgement, NextStep } from '../format/judgement-shape';
import type { FaultName, ObservationName, StepName, TestName } from '../format/names';
import { judge } from '../words/en/judgement';
import { PracticeBay } from './bay';
import type { Written } from './bay';
import type { LeftBay } from './left-bay';
import { demonstrate } from './demonstrate';
import type { Exercise } from './exercise';
import { judgesPath } from './judges-path';
import { score } from './score';
import type { PracticeCall, Score } from './score';
import { StepMinutes } from './step-minutes';
import { tooEarlyFor } from './too-early';

/** One thing that was done. */
export interface Done {
  readonly step: StepName;
  /** Minutes of work when it was done. */
  readonly minutes: number;
  /** What had to come first, where something had. */
  readonly tooEarly: string | null;
  /** The most probable faults after it. */
  readonly believed: readonly { readonly fault: FaultName; readonly probability: number }[];
}

/** What is told who asks for a hint. */
export interface Hint {
  /** Of whoever wrote the exercise; null where they are used up. */
  readonly says: string | null;
  readonly next: NextStep | null;
}

/** Of the faults so many are told. */
const TOLD_FAULTS = 5;
/** The most probable faults. */
export const believedOf = ({ faults }: Judgement): Done['believed'] =>
  faults.slice(0, TOLD_FAULTS).map(({ fault, probability }) => ({ fault, probability }));

/** A visit that was left before its call. */
export interface LeftVisit {
  readonly bay: LeftBay;
  readonly minutes: number;
  readonly done: readonly Done[];
  readonly hints: number;
}

export class PracticeSession {
  readonly bay: PracticeBay;
  readonly #minutes: StepMinutes;
  readonly #done: Done[];
  #said: Judgement;
  /** The case before the last step. */
  #before: Case;
  #hints: number;

  /** @param left Of the same exercise, where it goes on. */
  constructor(
    readonly exercise: Exercise,
    left?: LeftVisit,
  ) {
    this.bay = new PracticeBay(exercise);
    if (left) this.bay.takeUp(left.bay);
    this.#minutes = new StepMinutes(left?.minutes);
    this.#done = [...(left?.done ?? [])];
    this.#hints = left?.hints ?? 0;
    this.#before = this.bay.case;
    this.#said = judge(this.#before);
  }

  /** What is needed to go on later. */
  get left(): LeftVisit {
    return { bay: this.bay.left, minutes: this.minutes, done: this.#done, hints: this.#hints };
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
    if ('seen' in written) this.#note(written.seen);
    return written;
  }
  readLabel(): void {
    this.bay.readLabel();
    this.#note('label');
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
  /** A hint of whoever wrote the exercise, then what the judge would do now; it costs points. */
  hint(): Hint {
    this.#hints += 1;
    return { says: this.exercise.hints?.[this.#hints - 1] ?? null, next: this.#said.next[0] ?? null };
  }
  /** Does a step as it should be done. */
  show(step: NextStep): void {
    demonstrate(this.bay, step);
    this.#note(step.test, step.conditions['loads']);
  }

  /** The call ends the visit. */
  call(call: PracticeCall): Score {
    const { exercise, bay, minutes } = this;
    const visit = {
      exercise,
      system: bay.vehicle.system,
      readings: bay.case.readings,
      safety: bay.safety,
      said: this.#said,
      minutes,
      hints: this.#hints,
      tooEarly: this.#done.flatMap(({ step, tooEarly: because }) => (because === null ? [] : [{ step, because }])),
    };
    return score(call, visit, judgesPath(exercise));
  }

  #note(step: StepName, loads?: unknown): void {
    this.#minutes.add(step, loads);
    const tooEarly = tooEarlyFor(step, this.#before);
    this.#said = judge(this.bay.case);
    this.#before = this.bay.case;
    this.#done.push({ step, minutes: this.minutes, tooEarly, believed: believedOf(this.#said) });
  }
}
