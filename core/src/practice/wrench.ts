/** What taking something off, or putting it on again, is refused for, and what it does to people. */
import type { Refusal } from './refusals';
import type { SafetyEvent } from './safety';
import { isDisconnected } from './taken-off';
import type { TakenOff } from './taken-off';

interface Wrenched {
  readonly refusal: Refusal | null;
  readonly events: readonly SafetyEvent[];
}

/**
 * @param isTurning The engine runs or is cranked: belt and plugs stay, a battery clamp can be torn off all the same.
 * @param isCharging The charger is on the posts.
 */
export function wrench(
  before: TakenOff,
  next: TakenOff,
  { isTurning, isCharging }: { readonly isTurning: boolean; readonly isCharging: boolean },
): Wrenched {
  const isPositive = next.isPositiveOff !== before.isPositiveOff;
  const isOfBattery = isDisconnected(next) !== isDisconnected(before) || isPositive;
  if (isTurning && !isOfBattery) return { refusal: 'engine-runs', events: [] };
  const events: SafetyEvent[] = [];
  if (isTurning) events.push('disconnected-running');
  if (isOfBattery && isCharging) events.push('sparks');
  // the wrench that touches metal with the negative on is a short
  if (isPositive && !before.isNegativeOff) events.push('positive-first');
  return { refusal: null, events };
}
