/** The order of the steps that are open: by what they settle, and nobody walks round the vehicle twice. */
import type { GradedCase } from '../../evidence/case-context';
import type { Step as StepRow } from '../../evidence/step';
import type { StepName } from '../../format/names';
import type { EngineState } from '../../format/words';
import { stepOf } from '../../trade/tables';
import { currentFirst } from './current-first';
import { isOpen } from './is-open';
import { engineFor } from './visits';

/** An open step with what it is worth. */
export interface RankedStep {
  readonly name: StepName;
  readonly row: StepRow;
  readonly engine: EngineState;
  /** Doubts settled per minute. */
  readonly worth: number;
  /** Minutes that it saves before the decision that is due otherwise; 0 where none waits for it. */
  readonly forDecision: number;
  /** The proof of a fault that is as good as certain waits for it. */
  readonly isProof: boolean;
  /** The complaint is about this, and the battery is proven. */
  readonly isDue: boolean;
  /** The complaint asks for it, more than anything else does. */
  readonly isAsked: boolean;
  /** The complaint asks for a look: it is taken before anything is connected. */
  readonly isLook: boolean;
  /** The leads lie there: it belongs to the crank, or to the pack taken apart, of the newest reading. */
  readonly isAtHand: boolean;
}

/** The order in which what is open is worth its minutes. */
export const byUrgency = (a: RankedStep, b: RankedStep): number =>
  Number(b.isAtHand) - Number(a.isAtHand) ||
  Number(b.isProof) - Number(a.isProof) ||
  Number(b.isLook) - Number(a.isLook) ||
  Number(b.isDue) - Number(a.isDue) ||
  // what only waits for a step waits for that one
  b.forDecision - a.forDecision ||
  b.worth - a.worth;

/**
 * The best step first, then what else is read while the engine does the same, at the same place first: nobody walks round
 * the vehicle twice.
 */
export function inVisits([first, ...rest]: readonly RankedStep[]): readonly RankedStep[] {
  if (!first) return [];
  const isSame = ({ engine }: RankedStep): boolean => engine === first.engine;
  const isHere = (entry: RankedStep): boolean => isSame(entry) && entry.row.place === first.row.place;
  return [
    first,
    ...rest.filter(isHere),
    ...rest.filter((entry) => isSame(entry) && !isHere(entry)),
    ...rest.filter((entry) => !isSame(entry)),
  ];
}

/**
 * The current stands in the place of the first drop that needs it, and no drop before it; what else is read in the same
 * crank follows it, before any drop.
 */
export function withCurrents(ranked: readonly RankedStep[], gradedCase: GradedCase): readonly RankedStep[] {
  const found: RankedStep[] = [];
  const ofOneCrank = ranked.filter(({ row }) => row.isOfOneCrank);
  for (const entry of ranked) {
    const current = currentFirst(entry.name, gradedCase);
    const row = current && stepOf(current);
    const stands = current && row && isOpen(current, row, gradedCase);
    const step = stands
      ? { ...entry, name: current, row, engine: engineFor(current, gradedCase), isAsked: false }
      : entry;
    const together = step.row.isOfOneCrank ? [step, ...ofOneCrank] : [step];
    for (const one of together) if (!found.some(({ name }) => name === one.name)) found.push(one);
  }
  return found;
}
