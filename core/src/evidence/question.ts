/** A question that a figure raises before it is saved: answered with one key, or passed, and then not known. */
import type { ConditionName, ReadingConditions } from '../format/conditions';
import type { GradedCase } from './case-context';
import { asOwnBattery } from './own-battery';

export interface Answer {
  /** As its button says it. */
  readonly says: string;
  /** What it makes true of the reading. */
  readonly value: boolean | number;
}

export interface Question {
  /** The condition that it asks for; what the reading tells of it already is not asked again. */
  readonly condition: ConditionName;
  readonly asks: string;
  readonly answers: readonly Answer[];
  /** Whether it matters for this figure. */
  readonly matters: (value: number, gradedCase: GradedCase) => boolean;
}

/** What an entry knows when the question is put. */
export interface Asked {
  readonly value: number;
  readonly conditions: ReadingConditions;
  readonly gradedCase: GradedCase;
  /** Which of a pack; absent for the pack as connected. */
  readonly battery: number | undefined;
}

/** @returns the question, where it matters and is not answered. */
export const openQuestion = (
  question: Question | undefined,
  { value, conditions, gradedCase, battery }: Asked,
): Question | null =>
  question && conditions[question.condition] === undefined && question.matters(value, asOwnBattery(gradedCase, battery))
    ? question
    : null;
