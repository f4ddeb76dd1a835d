import { FULL_OUTPUT_SHARE, PIECES } from '../paths';
import type { PieceName } from '../paths';
import type { FaultEffect } from './fault-effect';
import { along } from './along';

/** Ohms of an open path. */
const OPEN_OHM = 1e4;
/** From this severity on a starting path is open. */
const OPEN_FROM = 0.97;

/** A piece of the circuit that loses too much. */
export const badPiece =
  (piece: PieceName): FaultEffect =>
  (vehicle, severity, _random, { badPathVolts }) => {
    const isCharging = PIECES[piece].loadedBy === 'charging';
    const amps = isCharging ? vehicle.ratedAmps * FULL_OUTPUT_SHARE : vehicle.usualAmps;
    vehicle.pieces[piece] =
      severity > OPEN_FROM && !isCharging ? OPEN_OHM : (along(badPathVolts, severity) * vehicle.scale) / amps;
  };
