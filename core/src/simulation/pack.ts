/** Packs of two or three batteries, one of them bad: each battery is isolated and read by itself. */
import { HEALTH_TESTS } from '../format/words';
import type { Case } from '../format/case-shape';
import type { Reading } from '../format/reading-shape';
import { CASE_FORMAT } from '../format/case-shape';
import type { TestName } from '../format/names';
import { TEST_MODELS } from './models';
import { simulatedBench } from '../evidence/simulated-bench';
import { randomOf } from '../circuit/model/random';
import type { Spread } from '../circuit/model/spread';
import { soundVehicle } from './sound-vehicle';
import type { Vehicle } from '../circuit/model/vehicle';

export interface PackOptions {
  readonly seed: number;
  readonly spread: Spread;
  /** What is wrong with the bad one; `none` for a sound pack. */
  readonly trouble: 'worn' | 'dead-cell' | 'flat' | 'none';
}

export interface SimulatedPack {
  readonly case: Case;
  /** Which battery is bad; null for a sound pack. */
  readonly bad: number | null;
}

/** What is read of every battery by itself. */
const OWN_TESTS: readonly TestName[] = ['resting-voltage', ...HEALTH_TESTS];
/** What is read of the vehicle. */
const SHARED_TESTS: readonly TestName[] = [
  'cranking-voltage',
  'starter-draw',
  'drop-starter-positive',
  'drop-starter-ground',
  'charging-voltage',
  'ripple-ac',
];

/** Draws a pack: two in series for 24 V, two or three in parallel for 12 V. */
export function simulatePack({ seed, spread, trouble }: PackOptions): SimulatedPack {
  const random = randomOf(seed);
  const isSeries = random.chance(0.5);
  const count = isSeries ? 2 : random.pick([2, 3]);
  const whole = soundVehicle(random, spread, { nominalVolts: isSeries ? 24 : 12, fuel: 'diesel' });
  const system: Case['system'] = {
    ...whole.system,
    battery: {
      ...whole.system.battery,
      count,
      arrangement: isSeries ? 'series' : 'parallel',
      serviceable: false,
    },
  };
  const bad = trouble === 'none' ? null : 1 + Math.floor(random.between(0, count));
  const readings: Reading[] = [];
  const read = (test: TestName, vehicle: Vehicle, battery?: number): void => {
    const measured = TEST_MODELS[test].reads(simulatedBench(vehicle, random, spread));
    readings.push({ id: `p${readings.length + 1}`, test, ...measured, ...(battery !== undefined && { battery }) });
  };
  for (let battery = 1; battery <= count; battery++) {
    const unit = unitOf(whole, random.between(...spread.soundHealth), random.between(0.86, 1));
    if (battery === bad) spoil(unit, trouble, random.between(0, 1), spread);
    for (const test of OWN_TESTS) read(test, unit, battery);
  }
  for (const test of SHARED_TESTS) read(test, whole);
  return {
    bad,
    case: {
      format: CASE_FORMAT,
      title: 'simulated pack',
      system,
      complaint: { symptoms: ['slow-crank'] },
      conditions: { batteryCelsius: whole.celsius, ambientCelsius: whole.celsius },
      observations: [],
      readings,
    },
  };
}

/** One battery of the pack as a vehicle of its own: 12 V, its own charge and health. */
function unitOf(whole: Vehicle, health: number, charge: number): Vehicle {
  const battery = whole.system.battery;
  return {
    ...whole,
    system: { ...whole.system, nominalVolts: 12, battery },
    scale: 1,
    batteryOhm: whole.batteryOhm / whole.scale,
    health,
    charge,
  };
}

function spoil(unit: Vehicle, trouble: PackOptions['trouble'], severity: number, { wornHealth }: Spread): void {
  const [worst, best] = wornHealth;
  if (trouble === 'worn') unit.health = best - (best - worst) * severity;
  if (trouble === 'dead-cell') unit.deadCell = true;
  if (trouble === 'flat') unit.charge = 0.6 - 0.5 * severity;
}
