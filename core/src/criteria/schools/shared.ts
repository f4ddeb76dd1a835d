/** What every shipped set has in common. */
import { EXPECTED_DRAW } from '../common-limits';
import { BALANCED_COSTS } from '../costs';

export const SHARED = {
  expectedDraw: EXPECTED_DRAW,
  minimumCharge: 0.75,
  /** A full flooded battery rests at 12.65 V; above about 13.0 (AGM 13.2) it is surface charge. */
  surfaceChargeVolts: 0.35,
  costs: BALANCED_COSTS,
} as const;
