/** An alternator in time: its regulator drives the field until the stud has the volts it aims at, or the field is full. */
import { ableAmps } from '../../circuit/model/charging-circuit';
import type { Vehicle } from '../../circuit/model/vehicle';
import { patternAt, ripplePattern } from '../record/bridge';
import type { DiodeState } from '../record/bridge';

/** How fast the regulator moves the field, share of full for a volt and a second. */
const REGULATOR_GAIN = 12;
/** It waits after a start, and lets the field come in softly: full after so long, s. */
const WAITS_S = 0.6;
const SOFT_START_S = 0.8;
/** Pole pairs, and turns of the alternator for one of the engine. */
const POLE_PAIRS = 6;
const PULLEY = 2.5;

/** Electrical turns a second at an engine speed. @param rpm Engine speed, 1/min. */
export const electricalHz = (rpm: number): number => (POLE_PAIRS * PULLEY * rpm) / 60;

export class AlternatorInTime {
  #field = 0;
  #ranS = 0;
  #turns = 0;
  readonly #pattern: Float64Array;

  /** @param target What the regulator aims at, at the stud, V. */
  constructor(
    private readonly vehicle: Vehicle,
    diode: DiodeState,
    public target = vehicle.regulatorVolts,
  ) {
    this.#pattern = ripplePattern(diode);
  }

  get fieldPercent(): number {
    return 100 * this.#field;
  }
  /** What it gives at this speed and field, A. */
  amps(rpm: number): number {
    return this.#field * ableAmps(this.vehicle, rpm);
  }
  /** Of its hump at this moment, V; 0 while it gives nothing. */
  rippleVolts(rpm: number): number {
    return this.amps(rpm) > 0.5 ? this.vehicle.rippleVolts * patternAt(this.#pattern, this.#turns) : 0;
  }

  step(runs: boolean, rpm: number, studVolts: number, stepS: number): void {
    if (!runs) {
      this.#field = 0;
      this.#ranS = 0;
      return;
    }
    this.#ranS += stepS;
    this.#turns += electricalHz(rpm) * stepS;
    const most = Math.min(1, Math.max(0, (this.#ranS - WAITS_S) / SOFT_START_S));
    const moved = this.#field + ((REGULATOR_GAIN * (this.target - studVolts)) / this.vehicle.scale) * stepS;
    this.#field = Math.min(most, Math.max(0, moved));
  }
}
