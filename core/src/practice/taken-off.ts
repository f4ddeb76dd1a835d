/** What is taken off a vehicle for a test: belt, spark or glow plugs, battery clamps. */
import type { Vehicle } from '../circuit/model/vehicle';
import { PULSE_SHARE } from '../simulation';

export interface TakenOff {
  readonly isBeltOff: boolean;
  readonly arePlugsOut: boolean;
  readonly isNegativeOff: boolean;
  readonly isPositiveOff: boolean;
}
export const NOTHING_OFF: TakenOff = {
  isBeltOff: false,
  arePlugsOut: false,
  isNegativeOff: false,
  isPositiveOff: false,
};

export const isDisconnected = ({ isNegativeOff, isPositiveOff }: TakenOff): boolean => isNegativeOff || isPositiveOff;

/** What the engine asks of the starter, and what the belt carries, with so much taken off. */
export class EngineAsked {
  readonly #loadAmps: number;
  readonly #beltShare: number;

  /** @param isFreedByPlugs Plugs out free a tight engine: what held it was in a cylinder. */
  constructor(
    private readonly vehicle: Vehicle,
    private readonly isFreedByPlugs: boolean,
  ) {
    this.#loadAmps = vehicle.loadAmps;
    this.#beltShare = vehicle.beltShare;
  }

  take({ isBeltOff, arePlugsOut }: TakenOff): void {
    const { vehicle } = this;
    const { soundLoadAmps } = vehicle;
    vehicle.beltShare = isBeltOff ? 0 : this.#beltShare;
    const isFreed = (isBeltOff && vehicle.accessorySeized) || (arePlugsOut && this.isFreedByPlugs);
    const asked = isFreed ? soundLoadAmps : this.#loadAmps;
    // compression goes with the plugs
    vehicle.loadAmps = asked - (arePlugsOut ? PULSE_SHARE * soundLoadAmps : 0);
  }
}
