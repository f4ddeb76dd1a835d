/** How a visit in the bay went: the right part, proven, without void readings, in good time, and safely. */
import { isSameDecision } from '../format/same-decision';
import type { Judgement } from '../format/judgement-shape';
import type { StepName } from '../format/names';
import type { Part } from '../format/words';
import { isReplaced } from '../judge/rank/part-of';
import { FAULTS } from '../trade/tables';
import type { Case, System } from '../format/case-shape';
import type { Exercise } from './exercise';
import type { JudgesPath } from './judges-path';
import type { SafetyEvent } from './safety';

/** What an apprentice decides. */
export interface PracticeCall {
  readonly action: 'replace' | 'repair' | 'charge-first' | 'none-found';
  /** Null where nothing is replaced or repaired. */
  readonly part: Part | null;
}

export interface Score {
  /** 0 to 100. */
  readonly points: number;
  readonly truth: PracticeCall;
  readonly isRight: boolean;
  /** The judge would have made the same call from the same readings. */
  readonly isProven: boolean;
  /** Tests that could still excuse the part that was called. */
  readonly missing: readonly StepName[];
  /** Steps that were taken before what had to come first, each with its reason. */
  readonly tooEarly: readonly { readonly step: StepName; readonly because: string }[];
  /** Readings that were void, each with its reason. */
  readonly voids: readonly { readonly test: StepName; readonly because: string }[];
  readonly minutes: number;
  readonly judge: Pick<JudgesPath, 'steps' | 'minutes'>;
  readonly safety: readonly SafetyEvent[];
  readonly hints: number;
}

/** Points for each, and what a slip costs. */
const FOR = { right: 40, proof: 25, noVoids: 10, minutes: 15, safety: 10 } as const;
const A_VOID = 3;
const A_DANGER = 5;
const A_HINT = 4;

/** The visit as the judge's own path is held against it. */
export interface Visit {
  readonly exercise: Exercise;
  readonly system: System;
  readonly readings: Case['readings'];
  readonly safety: readonly SafetyEvent[];
  readonly said: Judgement;
  readonly minutes: number;
  readonly hints: number;
  readonly tooEarly: Score['tooEarly'];
}

export function score(call: PracticeCall, visit: Visit, path: JudgesPath): Score {
  const { exercise, system, readings, safety, said, minutes, hints, tooEarly } = visit;
  const truth = truthOf(exercise, system);
  const parts = exercise.faults.map((fault) => FAULTS[fault].part(system));
  // of two faults either may be called first
  const isRight = call.action === truth.action && (call.part === truth.part || parts.includes(call.part));
  const { decision } = said;
  const isProven = isSameDecision(decision, call);
  const missing =
    call.part !== null && call.part in said.parts ? said.parts[call.part as keyof typeof said.parts].missing : [];
  const voids = said.readings
    .filter(({ grade }) => grade === 'void')
    .map(({ id, because }) => ({ test: readings.find((reading) => reading.id === id)!.test, because }));
  const points =
    (isRight ? FOR.right : 0) +
    (isProven ? FOR.proof : 0) +
    (readings.length > 0 ? Math.max(0, FOR.noVoids - A_VOID * (voids.length + tooEarly.length)) : 0) +
    // who proves nothing is soon done
    (isRight && isProven ? FOR.minutes * Math.min(1, path.minutes / Math.max(minutes, 1)) : 0) +
    Math.max(0, FOR.safety - A_DANGER * safety.length) -
    A_HINT * hints;
  return {
    points: Math.max(0, Math.round(points)),
    truth,
    isRight,
    isProven,
    missing,
    tooEarly,
    voids,
    minutes,
    judge: { steps: path.steps, minutes: path.minutes },
    safety,
    hints,
  };
}

/** What is really to be done. */
export function truthOf({ faults }: Exercise, system: System): PracticeCall {
  const [fault = 'none'] = faults;
  if (fault === 'none') return { action: 'none-found', part: null };
  if (fault === 'battery-discharged') return { action: 'charge-first', part: null };
  const part = FAULTS[fault].part(system);
  return { action: part !== null && isReplaced(part) ? 'replace' : 'repair', part };
}
