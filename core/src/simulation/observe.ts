/** What is seen, heard and felt of a vehicle, and what its driver says. */
import type { ObservationName, SymptomName } from '../case/vocabulary';
import { OBSERVATIONS } from '../case/vocabulary';
import { charge } from './charging-circuit';
import { crank } from './cranking-circuit';
import type { Random } from './random';
import type { Spread } from './spread';
import { strictOhm } from './vehicle';
import type { Vehicle } from './vehicle';

/** True causes that only an observation shows apart. */
export interface Cause {
  readonly accessorySeized: boolean;
}

function truth(vehicle: Vehicle, about: ObservationName, { accessorySeized }: Cause, random: Random): string {
  const strict = strictOhm('post', vehicle.usualAmps, vehicle.scale);
  const dragged = vehicle.loadAmps > vehicle.soundLoadAmps * 1.5;
  switch (about) {
    case 'terminals':
      return Math.max(vehicle.positivePostOhm, vehicle.negativePostOhm) > 1.5 * strict
        ? random.chance(0.75)
          ? random.pick(['corroded', 'loose'])
          : 'clean'
        : random.chance(0.12)
          ? 'corroded'
          : 'clean';
    case 'battery-case':
      return 'sound';
    case 'electrolyte':
      return random.chance(vehicle.health < 0.7 ? 0.3 : 0.05) ? 'low' : 'covered';
    case 'belt':
      return vehicle.beltShare < 0.7 ? random.pick(['glazed', 'loose']) : 'good';
    case 'charge-lamp':
      return !vehicle.excited && random.chance(0.6)
        ? 'dead'
        : charge(vehicle, 'off', 1500).outputAmps < 2
          ? 'on-running'
          : 'works';
    case 'alternator-noise':
      return random.chance(0.05) ? 'noisy' : 'quiet';
    case 'crank-by-hand':
      return vehicle.locked ? 'locked' : dragged ? 'tight' : 'turns';
    case 'belt-removed-crank':
      return accessorySeized ? 'freed' : 'unchanged';
    case 'plugs-removed-crank':
      return dragged && !accessorySeized && random.chance(0.4) ? 'freed' : 'unchanged';
    case 'ground-strap':
      return vehicle.chargeGroundOhm > 3 * strictOhm('chargeGround', vehicle.ratedAmps, vehicle.scale) &&
        random.chance(0.5)
        ? 'damaged'
        : 'sound';
    case 'fusible-link':
      return vehicle.linkBlown ? 'blown' : 'sound';
    default:
      throw new Error(`unknown observation ${JSON.stringify(about satisfies never)}`);
  }
}

/** An observation, now and then a wrong one. */
export function observe(
  vehicle: Vehicle,
  about: ObservationName,
  cause: Cause,
  random: Random,
  { observerError }: Spread,
): string {
  const found = truth(vehicle, about, cause, random);
  const mayErr = about !== 'battery-case' && about !== 'belt-removed-crank' && about !== 'plugs-removed-crank';
  return mayErr && random.chance(observerError)
    ? random.pick(OBSERVATIONS[about]) === 'locked'
      ? found
      : random.pick(OBSERVATIONS[about])
    : found;
}

/** The complaint a vehicle in this state comes in with. */
export function complainOf(vehicle: Vehicle, random: Random): SymptomName[] {
  const cranking = crank(vehicle);
  const symptoms: SymptomName[] = [];
  if (vehicle.controlVolts > 0) symptoms.push('no-crank-silent');
  else if (!vehicle.driveEngages) symptoms.push('spins-without-cranking');
  else if (cranking.amps < 10) symptoms.push(random.pick(['no-crank-silent', 'no-crank-single-click']));
  else if (cranking.rpm === 0)
    symptoms.push(vehicle.charge < 0.5 || vehicle.deadCell ? 'no-crank-rapid-clicks' : 'no-crank-single-click');
  else if (cranking.rpm < vehicle.usualRpm * 0.78) symptoms.push('slow-crank');
  if (cranking.rpm > 60) {
    const idle = charge(vehicle, 'off', 1500);
    if (idle.outputAmps < 2 || (idle.postVolts < 13 * vehicle.scale && random.chance(0.7)))
      symptoms.push('charge-lamp');
    else if (charge(vehicle, 'on', 2000).postVolts < 13.2 * vehicle.scale)
      symptoms.push(random.pick(['dim-at-idle', 'goes-flat']));
    if (vehicle.regulatorVolts > 15 * vehicle.scale) symptoms.push(random.pick(['bright-lamps', 'battery-smell']));
    if (vehicle.rippleVolts > 0.35 * vehicle.scale && random.chance(0.6)) symptoms.push('radio-whine');
    if (vehicle.beltShare < 0.7 && random.chance(0.6)) symptoms.push('belt-squeal');
  }
  if (vehicle.drainAmps > 0.12 || (vehicle.charge < 0.65 && random.chance(0.5))) symptoms.push('goes-flat');
  if (symptoms.length === 0) symptoms.push('cranks-normally');
  return symptoms;
}
