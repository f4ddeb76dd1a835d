/** What cannot be done in life cannot be done in the bay. */
import type { Controls, Instant } from '../simulation';
import { isDisconnected } from './taken-off';
import type { TakenOff } from './taken-off';

export const REFUSALS = {
  'engine-runs': 'The engine turns: stop it first.',
  'runs-already': 'The engine runs already.',
  disconnected: 'The battery is disconnected: nothing in the vehicle works.',
  isolated: 'This battery is isolated: connect the pack first.',
} as const;
export type Refusal = keyof typeof REFUSALS;

interface Moment {
  readonly off: TakenOff;
  readonly instant: Pick<Instant, 'isRunning'>;
  readonly isIsolated: boolean;
}

/** Why the hands cannot do this just now; null where they can. */
export function whyNot({ key, loads, lamps }: Partial<Controls>, { off, instant, isIsolated }: Moment): Refusal | null {
  const isOfVehicle = (key ?? 'off') !== 'off' || (loads ?? 'off') !== 'off' || lamps === true;
  if (isOfVehicle && isDisconnected(off)) return 'disconnected';
  if (isOfVehicle && isIsolated) return 'isolated';
  return key === 'start' && instant.isRunning ? 'runs-already' : null;
}
