import type { TestPoint } from '../../circuit/points';
import { PIECES } from '../../circuit/paths';
import type { PieceName } from '../../circuit/paths';
import type { Vehicle } from '../../circuit/model/vehicle';
import type { Controls } from './controls';
import type { Instant } from './vehicle-in-time';

/** Between battery and solenoid's control terminal switch and relay always lose this much (12 V), V. */
const CONTROL_PATH_VOLTS = 0.3;
/** A module sees the battery a little lower, V. */
const MODULE_VOLTS = 0.1;

/**
 * What every point of the circuit stands at against the battery's − post at one moment, V. What a meter shows between two
 * leads is the difference of their points.
 */
export function pointVolts(
  vehicle: Vehicle,
  { key }: Pick<Controls, 'key'>,
  now: Instant,
): Readonly<Record<TestPoint, number>> {
  // while the engine runs the alternator's current comes back through the ground that the starter's goes out by
  const groundAmps = now.motorAmps - now.alternatorAmps;
  const lost = (piece: PieceName): number => {
    const amps = PIECES[piece].loadedBy === 'charging' ? now.alternatorAmps : now.motorAmps;
    return amps * vehicle.pieces[piece];
  };
  const post = now.postVolts;
  const negativeClamp = groundAmps * vehicle.pieces['negative-post'];
  const block = negativeClamp + groundAmps * vehicle.pieces['engine-strap'];
  const starterCase = block + lost('starter-joint');
  const positiveClamp = post - lost('positive-post');
  const solenoid = positiveClamp - lost('positive-cable');
  const control = vehicle.controlVolts || Math.max(0, post - CONTROL_PATH_VOLTS * vehicle.scale);
  return {
    'positive-post': post,
    'positive-clamp': positiveClamp,
    'negative-post': 0,
    'negative-clamp': negativeClamp,
    'solenoid-battery': solenoid,
    // open contacts leave the motor at its own case
    'solenoid-motor': now.isCranking ? solenoid - lost('solenoid') : starterCase,
    'solenoid-control': starterCase + (key === 'start' ? control : 0),
    'starter-case': starterCase,
    'engine-block': block,
    body: negativeClamp + lost('body-strap'),
    'alternator-stud': vehicle.linkBlown ? 0 : post + lost('charge-cable'),
    'alternator-case': block - lost('alternator-joint'),
    'alternator-sense': key !== 'off' && vehicle.excited ? post - MODULE_VOLTS : 0,
    'module-plug': post - MODULE_VOLTS,
  };
}

/** Under this an alternator gives nothing that could be seen, A; what an AC range that blocks DC shows then, V. */
const SILENT_AMPS = 0.5;
const STRAY_VOLTS = 0.002;

/** What an AC range that blocks DC shows at the posts, V RMS. */
export const acVolts = ({ rippleVolts }: Vehicle, { alternatorAmps }: Pick<Instant, 'alternatorAmps'>): number =>
  alternatorAmps > SILENT_AMPS ? rippleVolts : STRAY_VOLTS;
