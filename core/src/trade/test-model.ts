import type { Measured, SimulatedBench } from '../evidence/simulated-bench';
import type { Slip } from '../evidence/slips';

/**
 * How the circuit model gives a test; it stands in the test's own file as a value of its own, so that the judge is
 * bundled without it.
 */
export interface TestModel {
  readonly reads: (bench: SimulatedBench) => Measured;
  /** The usual mistakes of the hand, as they stand in the record. */
  readonly slips?: readonly Slip[];
}
