/** The sums of the trade on their own: each with its formula, units, domain, and a picture where one helps. */
import type { Sum } from './sum';
import { alternatorOutput } from './sums/alternator-output';
import { chargeState } from './sums/charge-state';
import { chargeTime } from './sums/charge-time';
import { clampScale } from './sums/clamp-scale';
import { crankingSpeed } from './sums/cranking-speed';
import { drain } from './sums/drain';
import { drop } from './sums/drop';
import { gravity } from './sums/gravity';
import { labelCheck } from './sums/label-check';
import { loadTest } from './sums/load-test';
import { narrowPath } from './sums/narrow-path';
import { pack } from './sums/pack';
import { rating } from './sums/rating';

export type { FigureInput, Sum, SumInput, SumResult, SumUnit, WordInput } from './sum';
export { entriesOf, sumAt } from './in-job';
export type { JobSum } from './in-job';
export { workOut } from './work-out';
export type { SumEntries, WorkedOut } from './work-out';

export const SUMS: readonly Sum[] = [
  loadTest,
  rating,
  labelCheck,
  chargeState,
  gravity,
  clampScale,
  drop,
  narrowPath,
  crankingSpeed,
  alternatorOutput,
  chargeTime,
  drain,
  pack,
];
