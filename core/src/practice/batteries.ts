/** The batteries of a pack: each can be isolated, and read and charged by itself. */
import { mean } from 'simple-statistics';
import type { Vehicle } from '../circuit/model/vehicle';
import { VehicleInTime } from '../simulation';
import type { Random } from '../simulation';

/** A sound battery beside a bad one. */
const SOUND_HEALTH: readonly [number, number] = [0.88, 1.02];
const SOUND_CHARGE: readonly [number, number] = [0.86, 1];
/** Beside a battery with a dead cell the others lose their charge into it. */
const DRAGGED_CHARGE = 0.55;

export class Batteries {
  /** Each as a vehicle of its own that nothing is connected to; none for a single battery. */
  readonly units: readonly VehicleInTime[];

  constructor(
    private readonly whole: Vehicle,
    random: Random,
  ) {
    const { count = 1 } = whole.system.battery;
    const bad = Math.floor(random.between(0, count));
    const isBad = whole.deadCell || whole.health < SOUND_HEALTH[0] || whole.charge < SOUND_CHARGE[0];
    this.units = Array.from({ length: count === 1 ? 0 : count }, (_, at) => {
      const unit = unitOf(whole, count);
      if (!isBad || at !== bad) {
        unit.health = random.between(...SOUND_HEALTH);
        unit.charge = random.between(...SOUND_CHARGE);
        unit.deadCell = false;
      }
      return parked(unit);
    });
    this.#pool();
  }

  /** Of every battery, 0 to 1; that of the only one. */
  get charges(): readonly number[] {
    return this.units.length === 0 ? [this.whole.charge] : this.units.map(({ vehicle }) => vehicle.charge);
  }
  set charges(charges: readonly number[]) {
    if (this.units.length === 0) this.whole.charge = charges[0] ?? this.whole.charge;
    else this.units.forEach(({ vehicle }, at) => (vehicle.charge = charges[at] ?? vehicle.charge));
    this.#pool();
  }

  /** What they are together. */
  #pool(): void {
    const { whole, units } = this;
    if (units.length === 0) return;
    const vehicles = units.map(({ vehicle }) => vehicle);
    const isSeries = whole.system.battery.arrangement === 'series';
    const hasDeadCell = vehicles.some(({ deadCell }) => deadCell);
    whole.health = mean(vehicles.map(({ health }) => health));
    whole.deadCell = isSeries && hasDeadCell;
    whole.charge = Math.min(mean(vehicles.map(({ charge }) => charge)), hasDeadCell && !isSeries ? DRAGGED_CHARGE : 1);
  }
}

/** One battery of the pack: its own volts, and its share of the amps. */
function unitOf(whole: Vehicle, count: number): Vehicle {
  const { battery } = whole.system;
  const isSeries = battery.arrangement === 'series';
  return {
    ...whole,
    system: { ...whole.system, nominalVolts: isSeries ? 12 : whole.system.nominalVolts, battery: single(battery) },
    scale: isSeries ? 1 : whole.scale,
    cca: isSeries ? whole.cca : whole.cca / count,
    batteryOhm: isSeries ? whole.batteryOhm / count : whole.batteryOhm * count,
    drainAmps: 0,
  };
}
const single = (battery: Vehicle['system']['battery']) => ({ ...battery, count: 1, arrangement: 'single' }) as const;

/** It has stood overnight. @param keyOnAmps What the key alone draws, A; absent for the usual. */
export function parked(vehicle: Vehicle, keyOnAmps?: number): VehicleInTime {
  const model = new VehicleInTime(vehicle, keyOnAmps === undefined ? {} : { keyOnAmps });
  model.fallAsleep();
  return model;
}
