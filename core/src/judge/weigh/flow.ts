/** Whether anything flows in the starter: what tells an open circuit from one that only loses volts. */
import { latest } from '../situation';
import type { Situation } from '../situation';

/** Amps under which nothing flows in the motor: a solenoid's own winding at most. */
export const NO_FLOW_AMPS = 25;
/** Under this the engine stands, rpm. */
export const STANDS_RPM = 20;

/** Somebody read the amps with the key at start, and there were none. */
export const isFlowless = (situation: Situation): boolean =>
  (latest(situation, 'starter-draw')?.value ?? Infinity) < NO_FLOW_AMPS;
