/**
 * A battery in time: plain resistance answers at once, the rest of its sag comes and goes with two time constants. What a
 * charge leaves on the plates is the slow one: at rest it decays over hours, and a load takes it away in a minute
 * (surface charge).
 */
import { usualCapacityAh } from '../../battery/standing';
import { emf, ohmicOhm, sagAt } from '../../circuit/model/cranking-circuit';
import { chargingOhm, voltsInto } from '../../circuit/model/charging-circuit';
import type { Vehicle } from '../../circuit/model/vehicle';

/** Share of the polarization that answers quickly. */
const FAST_SHARE = 0.6;
/** Time constants of a discharge, of a charge, and of a battery at rest: below 0 V left by a charge, above by a discharge, s. */
const DISCHARGING_S = { fast: 0.15, slow: 4 } as const;
const CHARGING_S = { fast: 2, slow: 40 } as const;
const SURFACE_S = { fast: 20, slow: 7200 } as const;
const RECOVERING_S = { fast: 0.3, slow: 20 } as const;
/** Headlamps take what a charge left on the plates within a minute or so: A, and the time constants at that, s. */
const LAMPS_A = 11;
const CLEARING_S = { fast: 5, slow: 30 } as const;
/** Below this a battery is at rest, A: sleeping modules neither charge it nor clear its plates. */
const AT_REST_A = 1;
const SECONDS_PER_HOUR = 3600;

interface Times {
  readonly fast: number;
  readonly slow: number;
}

export class BatteryInTime {
  /** What its plates stand apart from rest, V; above 0 it lowers the volts. */
  #fastV = 0;
  #slowV = 0;
  readonly #ohm: number;
  readonly #capacityAs: number;
  /** Open volts at the charge of now: asked for several times a step. */
  #openV: number;
  #decays: { readonly times: Times; readonly stepS: number; readonly fast: number; readonly slow: number } | null =
    null;

  constructor(private readonly vehicle: Vehicle) {
    this.#ohm = ohmicOhm(vehicle);
    this.#openV = emf(vehicle);
    const { capacityAh = usualCapacityAh(vehicle.cca) } = vehicle.system.battery;
    this.#capacityAs = capacityAh * SECONDS_PER_HOUR;
  }

  /** The part of its resistance that answers at once, ohm. */
  get ohm(): number {
    return this.#ohm;
  }
  /** Volts before that resistance. */
  get innerVolts(): number {
    return this.#openV - this.#fastV - this.#slowV;
  }
  /** Volts at the posts. @param amps Out of the battery; into it is below 0. */
  voltsAt(amps: number): number {
    return this.innerVolts - amps * this.#ohm;
  }
  /**
   * The current into it that holds it at these volts, A; below 0 where it stands above them.
   *
   * @param stepS At the end of a step of this length, which lets its plates follow; 0 for this moment.
   */
  ampsInto(volts: number, stepS: number): number {
    const [fast, slow] = [CHARGING_S.fast, CHARGING_S.slow].map((time) => 1 - Math.exp(-stepS / time)) as [
      number,
      number,
    ];
    const rest = emf(this.vehicle) - this.#fastV * (1 - fast) - this.#slowV * (1 - slow);
    const grown = FAST_SHARE * fast + (1 - FAST_SHARE) * slow;
    return (volts - rest) / (this.#ohm + (chargingOhm(this.vehicle) - this.#ohm) * grown);
  }
  /** Above what it would rest at, V: surface charge above 0. */
  get unsettledVolts(): number {
    return -this.#fastV - this.#slowV;
  }

  /** @param amps Out of the battery during the step. */
  step(amps: number, stepS: number): void {
    const { vehicle } = this;
    vehicle.charge = Math.min(1, Math.max(0, vehicle.charge - (amps * stepS) / this.#capacityAs));
    this.#openV = emf(vehicle);
    const aim = this.#polarization(amps);
    const { fast, slow } = this.#decaysOf(this.#times(amps), stepS);
    this.#fastV += (FAST_SHARE * aim - this.#fastV) * fast;
    this.#slowV += ((1 - FAST_SHARE) * aim - this.#slowV) * slow;
  }

  /** How far a step goes toward a steady aim, share: an exponential, exact for a step of any length. */
  #decaysOf(times: Times, stepS: number): Times {
    if (this.#decays?.stepS === stepS && this.#decays.times === times) return this.#decays;
    const [fast, slow] = [1 - Math.exp(-stepS / times.fast), 1 - Math.exp(-stepS / times.slow)];
    this.#decays = { times, stepS, fast, slow };
    return this.#decays;
  }

  /** What a lasting current costs beyond plain resistance, V. */
  #polarization(amps: number): number {
    if (amps >= 0) return sagAt(this.vehicle, amps) - amps * this.#ohm;
    return this.#openV - voltsInto(this.vehicle, -amps) - amps * this.#ohm;
  }
  #times(amps: number): Times {
    const isCharged = this.#slowV < 0;
    if (Math.abs(amps) < AT_REST_A) return isCharged ? SURFACE_S : RECOVERING_S;
    if (amps < 0) return CHARGING_S;
    if (!isCharged) return DISCHARGING_S;
    const slower = Math.max(1, LAMPS_A / amps);
    return { fast: CLEARING_S.fast * slower, slow: CLEARING_S.slow * slower };
  }
}
