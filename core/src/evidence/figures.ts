import type { Derived } from '../format/judgement-shape';
import type { HealthWay } from './health';
import type { PathSolution } from './path-solution';

/** What the readings give together; null where a part is missing. */
export interface Figures {
  readonly crankingOhms: number | null;
  /** The voltage a half-CCA load test would have shown, from cranking volts and amps, V. */
  readonly halfCcaVolts: number | null;
  /** Sustained draw over the usual draw; 1 is usual. */
  readonly drawRatio: number | null;
  /** The battery's health by every way it was measured. */
  readonly ways: readonly HealthWay[];
  /** What each piece of the circuit loses. */
  readonly paths: PathSolution;
  readonly published: Derived;
}
