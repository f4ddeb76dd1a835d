/** A vehicle as the circuit model knows it, and what its parts usually carry. */
import type { System } from '../../format/case-shape';
import { FULL_OUTPUT_SHARE, PIECES } from '../paths';
import type { PieceName } from '../paths';
import type { SignalPiece } from '../start-signal';

/** A vehicle's true state: what no meter shows at once. Volts, ohms and amps are for the whole system. */
export interface Vehicle {
  /** The label as it was taken from the battery: what is measured against it leans on it. */
  system: System;
  readonly celsius: number;
  /** Nominal volts over 12. */
  readonly scale: number;
  /** SAE amps of the pack. */
  readonly cca: number;
  charge: number;
  health: number;
  deadCell: boolean;
  /** Battery resistance at 21 °C, full, health 1, ohm. */
  batteryOhm: number;
  /** Ohms of every piece of the circuit. */
  readonly pieces: Record<PieceName, number>;
  motorOhm: number;
  /** Brushes, commutator or winding are open: no current flows in it. */
  isMotorOpen: boolean;
  /** Back-EMF per rpm of the engine, V. */
  voltsPerRpm: number;
  /** Current that the engine's friction and compression ask at standstill, A. */
  loadAmps: number;
  /** The same in health, A. */
  readonly soundLoadAmps: number;
  /** Further current per rpm, A. */
  ampsPerRpm: number;
  /** Current lost inside a dragging starter, A. */
  dragAmps: number;
  driveEngages: boolean;
  controlVolts: number;
  /** The piece of the start signal that is open; null where none is. */
  openSignal: SignalPiece | null;
  locked: boolean;
  /** The starter's drive is jammed in the ring gear: it holds a sound engine. */
  isJammed: boolean;
  alternatorShare: number;
  regulatorVolts: number;
  excited: boolean;
  rippleVolts: number;
  humpsMissing: number;
  diodeShorted: boolean;
  beltShare: number;
  accessorySeized: boolean;
  linkBlown: boolean;
  drainAmps: number;
  readonly usualAmps: number;
  /** Its cranking speed in health, rpm. */
  readonly usualRpm: number;
  readonly ratedAmps: number;
}

/** Share of the usual draw from which an engine or an accessory drags. */
const DRAGS_FROM = 1.5;

/** The current that usually loads a piece in this vehicle, A. */
const loadOf = (piece: PieceName, { usualAmps, ratedAmps }: Pick<Vehicle, 'usualAmps' | 'ratedAmps'>): number =>
  PIECES[piece].loadedBy === 'charging' ? ratedAmps * FULL_OUTPUT_SHARE : usualAmps;

/** Ohms of a piece that loses what a sound one usually loses. */
export const soundPieceOhms = (piece: PieceName, vehicle: Pick<Vehicle, 'usualAmps' | 'ratedAmps' | 'scale'>): number =>
  (PIECES[piece].soundVolts * vehicle.scale) / loadOf(piece, vehicle);

/** True where engine or accessory ask for much more than in health. */
export const isDragged = ({ loadAmps, soundLoadAmps }: Vehicle): boolean => loadAmps > soundLoadAmps * DRAGS_FROM;

/** True where the engine, what it drives, or the starter itself asks for much more amps than in health. */
export const asksForMore = (vehicle: Vehicle): boolean => isDragged(vehicle) || vehicle.dragAmps > 0;
