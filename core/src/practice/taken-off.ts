/** What is taken off a vehicle for a test: belt, spark or glow plugs, battery clamps. */
import type { Vehicle } from '../circuit/model/vehicle';

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

/** Share of a sound engine's load that is compression, and goes with the plugs. */
const COMPRESSION_SHARE = 0.35;

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
    vehicle.loadAmps = asked - (arePlugsOut ? COMPRESSION_SHARE * soundLoadAmps : 0);
  }
}
