import type { Measured, SimulatedBench } from '../evidence/simulated-bench';
import type { Slip } from '../evidence/slips';

/**
 * How the circuit model gives a test; it stands in the test's own file as a value of its own, so that the judge is
 * bundled without it. Calls in it are marked `@__PURE__`: a bundler drops them with it.
 */
export interface TestModel {
  readonly reads: (bench: SimulatedBench) => Measured;
  /** Its place in a full visit; null where it is not part of one. */
  readonly visitPlace: number | null;
  /** The usual mistakes of the hand, as they stand in the record. */
  readonly slips?: readonly Slip[];
}
