import type { FaultName } from '../../format/names';
import type { Figures } from '../derive/derive';
import type { Situation } from '../situation';
import type { ProofState } from './prove';

/** What excuses, verdicts and the decision look at. */
export interface Evidence {
  readonly situation: Situation;
  readonly figures: Figures;
  readonly probability: Readonly<Record<FaultName, number>>;
  /** Proofs that were asked for already: several stages ask, each is worked out once. */
  readonly proofs: Map<FaultName, ProofState>;
}
