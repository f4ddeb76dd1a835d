import type { FaultName } from '../../format/names';
import type { Figures } from '../derive/derive';
import type { Situation } from '../situation';

/** What excuses, verdicts and the decision look at. */
export interface Evidence {
  readonly situation: Situation;
  readonly figures: Figures;
  readonly probability: Readonly<Record<FaultName, number>>;
}
