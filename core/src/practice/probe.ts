/** What lies between the leads and in the jaws of the clamp at one moment. */
import type { Vehicle } from '../circuit/model/vehicle';
import { acVolts, pointVolts } from '../simulation';
import type { Controls, Instant } from '../simulation';
import type { TestPoint } from '../circuit/points';
import type { Hands } from './hands';
import { isDisconnected } from './taken-off';
import type { TakenOff } from './taken-off';

interface Probing {
  readonly hands: Hands;
  readonly vehicle: Vehicle;
  readonly controls: Controls;
  readonly instant: Instant;
  readonly off: TakenOff;
}

/** From red to black, V; 0 where a lead is on nothing. A battery that is off or isolated feeds only its own posts. */
export function betweenLeads({ hands, vehicle, controls, instant, off }: Probing): number {
  const { red, black, battery } = hands;
  if (red === null || black === null) return 0;
  const at = pointVolts(vehicle, controls, instant);
  const isCut = isDisconnected(off) || battery !== null;
  const voltsAt = (point: TestPoint): number =>
    point === 'positive-post' || point === 'negative-post' || !isCut ? at[point] : 0;
  return voltsAt(red) - voltsAt(black);
}

/** Through the jaws, A, along the arrow: to the battery, unless the clamp is turned. */
export function inJaws({ hands: { clamp, isClampTurned }, controls, instant, off }: Probing): number {
  const along = ((): number => {
    if (clamp === 'alternator-output') return instant.alternatorAmps;
    if (clamp === 'tester-lead') return controls.testerAmps;
    return clamp === 'battery-cables' && !isDisconnected(off) ? -instant.batteryAmps : 0;
  })();
  return isClampTurned ? -along : along;
}

/** What an AC range that blocks DC would show between the leads, V RMS. */
export function rippleBetween({ hands: { red, black }, vehicle, instant }: Probing): number {
  const isOn = red !== null && black !== null;
  return acVolts(vehicle, isOn ? instant : { alternatorAmps: 0 });
}

export const isAtPosts = ({ red, black }: Hands): boolean => red === 'positive-post' && black === 'negative-post';
