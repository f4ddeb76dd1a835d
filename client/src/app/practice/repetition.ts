import { EXERCISES } from '@tetrad/core/practice';
import type { PracticeResult } from '@tetrad/core';
import { Rating, createEmptyCard, fsrs } from 'ts-fsrs';
import type { Card, Grade } from 'ts-fsrs';

/** Points from which a visit was good, and easy. */
const GOOD_FROM = 70;
const EASY_FROM = 90;

type Practiced = Pick<PracticeResult, 'exercise' | 'at' | 'points' | 'isRight' | 'isProven'>;

const schedule = fsrs({ enable_fuzz: false });

/** How well it was remembered: a wrong call is forgotten, one without proof is hard. */
function ratingOf({ points, isRight, isProven }: Practiced): Grade {
  if (!isRight) return Rating.Again;
  if (!isProven || points < GOOD_FROM) return Rating.Hard;
  return points < EASY_FROM ? Rating.Good : Rating.Easy;
}

/** When an exercise should be practiced again. @param results Of that exercise, the oldest first. */
export function dueAt(results: readonly Practiced[]): Date {
  const [first] = results;
  const fresh: Card = createEmptyCard(first ? new Date(first.at) : new Date(0));
  return results.reduce((card, one) => schedule.next(card, new Date(one.at), ratingOf(one)).card, fresh).due;
}

/** What to practice now. */
export interface Proposal {
  readonly exercise: string;
  /** Due again, or never tried. */
  readonly why: 'due' | 'new';
}

/** The exercise that is longest due, else the first that was never tried; null where all of them rest. */
export function proposed(results: readonly Practiced[], now: Date): Proposal | null {
  const of = (id: string) => results.filter(({ exercise }) => exercise === id);
  const [longest] = EXERCISES.map(({ id }) => ({ id, own: of(id) }))
    .filter(({ own }) => own.length > 0)
    .map(({ id, own }) => ({ id, due: dueAt(own).getTime() }))
    .filter(({ due }) => due <= now.getTime())
    .sort((a, b) => a.due - b.due);
  if (longest) return { exercise: longest.id, why: 'due' };
  const fresh = EXERCISES.find(({ id }) => of(id).length === 0);
  return fresh ? { exercise: fresh.id, why: 'new' } : null;
}
