/**
 * What a decision costs where it is wrong, and what finding out costs, in minutes of a technician’s work: the one scale
 * on which a needless part, a comeback and another test can be compared. Every criteria set has its own.
 */
import type { Part } from '../format/words';

export interface Costs {
  /** Calling a part that was sound: the part, fitting it, and the trust of the customer, min. */
  readonly wrongPart: Readonly<Record<Part, number>>;
  /** Working on a sound joint of a path that has a bad one elsewhere, min. */
  readonly wrongPiece: number;
  /** Leaving a fault in a vehicle that is called sound: it comes back on a hook, min. */
  readonly comeback: number;
  /** Sending a vehicle away, or to somebody else, with nothing decided, min. */
  readonly undecided: number;
  /** One minute of work. */
  readonly work: number;
  /** One minute of a wait, in which another vehicle is worked on. */
  readonly wait: number;
}

/** Why the figures of a set are what they are; the sets differ by a factor, not by their reasons. */
export const COST_REASONS = {
  wrongPart:
    'The usual price of the part against an hour of work, the hour of fitting it, and once more the same for the trust that a needless part costs; a repair costs its own time.',
  wrongPiece: 'A joint taken apart, cleaned, protected and read again, for nothing.',
  comeback: 'Recovery, the same tests again, and a customer who was told that all is well.',
  undecided: 'A second visit or another opinion, begun from what was read.',
  work: 'The scale itself.',
  wait: 'Hands are free in a wait: only the place in the workshop is taken.',
} as const satisfies Record<keyof Costs, string>;

export const BALANCED_COSTS: Costs = {
  wrongPart: {
    battery: 240,
    starter: 360,
    alternator: 360,
    belt: 40,
    connections: 40,
    control: 60,
    mechanical: 240,
    drain: 60,
  },
  wrongPiece: 30,
  comeback: 240,
  undecided: 130,
  work: 1,
  wait: 0.05,
};

/**
 * The same costs with needless work weighed by a factor: above 1 a set is more careful, under 1 bolder.
 *
 * @param factor Above 0.
 */
export const weighedCosts = (factor: number, costs: Costs = BALANCED_COSTS): Costs => ({
  ...costs,
  wrongPart: Object.fromEntries(
    Object.entries(costs.wrongPart).map(([part, minutes]) => [part, minutes * factor]),
  ) as unknown as Costs['wrongPart'],
  wrongPiece: costs.wrongPiece * factor,
});
