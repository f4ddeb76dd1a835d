/** Whether anything flows in the starter: what tells an open circuit from one that only loses volts. */
import { didNotCrank, latest, observed } from './case-context';
import type { CaseContext } from './case-context';

/** Amps under which nothing flows in the motor: a solenoid's own winding at most. */
export const NO_FLOW_AMPS = 25;
/** Under this share of the usual amps a starter whose engine stands spins free. */
export const SPINS_FREE_SHARE = 0.75;
/** Under this the engine stands, rpm. */
export const STANDS_RPM = 20;

/** The amps that were read with the key at start; undefined where nobody did. */
const drawn = (context: CaseContext): number | undefined => latest(context, 'starter-draw')?.value;

/** Somebody read the amps with the key at start, and there were none. */
export const isFlowless = (context: CaseContext): boolean => (drawn(context) ?? Infinity) < NO_FLOW_AMPS;

/** It does not turn, and nobody knows whether anything flows. */
export const isFlowUnknown = (context: CaseContext): boolean => didNotCrank(context) && drawn(context) === undefined;

/** With the key at start nothing flows, as far as is known. */
export const isStill = (context: CaseContext): boolean => isFlowless(context) || isFlowUnknown(context);

/** Nobody can turn it by hand, and neither the belt nor the plugs held it. */
export const isHeldFast = (context: CaseContext): boolean =>
  observed(context, 'crank-by-hand') === 'locked' &&
  observed(context, 'belt-removed-crank') !== 'freed' &&
  observed(context, 'plugs-removed-crank') !== 'freed';

/** The starter spins and the engine stands, by the complaint or by what was read: few amps, and no speed. */
export function spinsFree(context: CaseContext): boolean {
  const speed = latest(context, 'cranking-speed');
  if (speed !== undefined && speed.value >= STANDS_RPM) return false;
  const amps = drawn(context);
  const isLittle = amps !== undefined && amps >= NO_FLOW_AMPS && amps < context.draw.reference * SPINS_FREE_SHARE;
  return (
    (context.case.complaint?.symptoms?.includes('spins-without-cranking') ?? false) || (speed !== undefined && isLittle)
  );
}
