/** What is seen, heard and felt of a vehicle, and what its driver says. */
import type { ObservationName } from '../format/names';
import { OBSERVATIONS } from '../trade/tables';
import { OBSERVATION_MODELS } from './models';
import type { SymptomName } from '../trade/symptoms';
import type { SimulatedBench } from '../evidence/simulated-bench';
import { charge } from '../circuit/model/charging-circuit';
import { FIRES_FROM_RPM, crank } from '../circuit/model/cranking-circuit';
import type { Random } from '../circuit/model/random';
import { soundPieceOhms } from '../circuit/model/vehicle';
import type { Vehicle } from '../circuit/model/vehicle';

/** An observation, now and then a wrong one; nobody takes an engine for locked that turns. */
export function observe(about: ObservationName, bench: SimulatedBench): string {
  const { findings } = OBSERVATIONS[about];
  const { shows, isUnmistakable } = OBSERVATION_MODELS[about];
  const found = shows(bench);
  const { random, spread } = bench;
  if (isUnmistakable || !random.chance(spread.observerError)) return found;
  const guess = random.pick(findings);
  return guess === 'locked' ? found : guess;
}

/** Share of the usual cranking speed under which a driver says that it cranks slowly. */
export const SLOW_SHARE = 0.78;
/** A belt that carries less than this share squeals. */
export const SQUEALS_UNDER = 0.7;
/** From this much ripple the radio whines, and from these volts a battery smells (12 V), V. */
export const WHINES_FROM = 0.35;
export const SMELLS_FROM = 15;
/** A body strap this much worse than a sound one makes lamps and modules misbehave. */
const BODY_SHOWS_FROM = 12;

/** The complaint a vehicle in this state comes in with. */
export function complainOf(vehicle: Vehicle, random: Random): SymptomName[] {
  const cranking = crank(vehicle);
  const { scale, charge: full, deadCell } = vehicle;
  const symptoms: SymptomName[] = [];
  if (vehicle.controlVolts > 0) symptoms.push('no-crank-silent');
  else if (!vehicle.driveEngages) symptoms.push('spins-without-cranking');
  else if (cranking.amps < 10) symptoms.push(random.pick(['no-crank-silent', 'no-crank-single-click']));
  else if (cranking.rpm === 0)
    symptoms.push(full < 0.5 || deadCell ? 'no-crank-rapid-clicks' : 'no-crank-single-click');
  else if (cranking.rpm < vehicle.usualRpm * SLOW_SHARE) symptoms.push('slow-crank');
  if (cranking.rpm > FIRES_FROM_RPM) {
    const idle = charge(vehicle, 'off', 1500);
    if (idle.outputAmps < 2 || (idle.postVolts < 13 * scale && random.chance(0.7))) symptoms.push('charge-lamp');
    else if (charge(vehicle, 'on', 2000).postVolts < 13.2 * scale)
      symptoms.push(random.pick(['dim-at-idle', 'goes-flat']));
    if (vehicle.regulatorVolts > SMELLS_FROM * scale) symptoms.push(random.pick(['bright-lamps', 'battery-smell']));
    if (vehicle.rippleVolts > WHINES_FROM * scale && random.chance(0.6)) symptoms.push('radio-whine');
    if (vehicle.beltShare < SQUEALS_UNDER && random.chance(0.6)) symptoms.push('belt-squeal');
  }
  if (vehicle.pieces['body-strap'] > BODY_SHOWS_FROM * soundPieceOhms('body-strap', vehicle))
    symptoms.push(random.pick(['resets-on-crank', 'dim-at-idle', 'lamps-dim-on-crank']));
  if (vehicle.drainAmps > 0.12 || (full < 0.65 && random.chance(0.5))) symptoms.push('goes-flat');
  if (symptoms.length === 0) symptoms.push('cranks-normally');
  return symptoms;
}
