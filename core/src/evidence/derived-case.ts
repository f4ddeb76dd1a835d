import type { FaultName } from '../format/names';
import type { GradedCase } from './case-context';
import type { Figures } from './figures';

/** What the findings of a test look at: valid readings, and what they give together. */
export interface DerivedCase {
  readonly gradedCase: GradedCase;
  readonly figures: Figures;
}

/** What excuses look at besides: how probable each fault is. */
export interface WeighedCase extends DerivedCase {
  readonly probability: Readonly<Record<FaultName, number>>;
}
