import type { Random } from './random';
import type { Spread } from './spread';
import type { Vehicle } from './vehicle';

/**
 * What a fault does to a vehicle of the circuit model.
 *
 * @param severity From slight (0) to complete (1).
 */
export type FaultEffect = (vehicle: Vehicle, severity: number, random: Random, spread: Spread) => void;
