/** What is heard, seen and smelled at a vehicle, in words. */
import { soundPieceOhms } from '../circuit/model/vehicle';
import type { Vehicle } from '../circuit/model/vehicle';
import { PIECES, PIECE_NAMES } from '../circuit/paths';
import { SLOW_SHARE, SMELLS_FROM, SQUEALS_UNDER, WHINES_FROM } from '../simulation';
import type { Controls, Instant } from '../simulation';
import { isDisconnected } from './taken-off';
import type { TakenOff } from './taken-off';

export const SENSES = {
  quiet: 'All quiet.',
  dead: 'Nothing works: the battery is off.',
  standing: 'Key on, the engine stands.',
  runs: 'The engine runs.',
  cranks: 'It cranks.',
  'cranks-slowly': 'It cranks slowly.',
  silent: 'Nothing is heard, the lamps stay bright.',
  click: 'One click, and nothing turns.',
  clicks: 'It clicks fast, and the lamps flicker.',
  whirrs: 'It whirrs, and the engine does not turn.',
  'lamps-dim': 'The lamps go dim.',
  'lamp-lit': 'The battery lamp is lit.',
  squeals: 'The belt squeals.',
  whines: 'The radio whines with the engine speed.',
  'smells-acid': 'The battery smells, the lamps are very bright.',
  'smells-hot': 'Something smells hot.',
} as const;
export type Sense = keyof typeof SENSES;

/** Slower than this it does not turn, rpm. */
const TURNS_FROM_RPM = 20;
/** Lamps go dim under these volts (12 V), V. */
const DIM_VOLTS = 9;
/** A battery that is emptier than this, 0 to 1, lets the solenoid go again as soon as it has pulled in. */
const FLAT_CHARGE = 0.5;
/** A piece smells that turns this much power into heat, W, and is not sound. */
const HOT_WATTS = 60;
const NOT_SOUND = 3;
/** A lamp is lit while the alternator gives less than this, A. */
const LIT_UNDER_AMPS = 2;

export function sensed(vehicle: Vehicle, controls: Controls, now: Instant, off: TakenOff): readonly Sense[] {
  if (isDisconnected(off)) return ['dead'];
  if (now.isRunning) return ['runs', ...running(vehicle, now, off)];
  if (controls.key === 'start') return cranking(vehicle, now);
  return [controls.key === 'on' ? 'standing' : 'quiet'];
}

function running(vehicle: Vehicle, now: Instant, { isBeltOff }: TakenOff): Sense[] {
  const { scale, beltShare, rippleVolts, regulatorVolts } = vehicle;
  const gives = now.alternatorAmps > LIT_UNDER_AMPS;
  return [
    ...(gives ? [] : ['lamp-lit' as const]),
    ...(beltShare < SQUEALS_UNDER && !isBeltOff ? ['squeals' as const] : []),
    ...(gives && rippleVolts > WHINES_FROM * scale ? ['whines' as const] : []),
    ...(gives && regulatorVolts > SMELLS_FROM * scale ? ['smells-acid' as const] : []),
  ];
}

function cranking(vehicle: Vehicle, now: Instant): Sense[] {
  const { scale, usualRpm, charge, deadCell } = vehicle;
  if (vehicle.controlVolts > 0) return ['silent'];
  if (!vehicle.driveEngages) return ['whirrs'];
  const isTurning = now.rpm > TURNS_FROM_RPM;
  const isWeak = charge < FLAT_CHARGE || deadCell;
  const heard: Sense = isTurning
    ? now.rpm < usualRpm * SLOW_SHARE
      ? 'cranks-slowly'
      : 'cranks'
    : isWeak && now.motorAmps > 0
      ? 'clicks'
      : 'click';
  const isDim = now.postVolts < DIM_VOLTS * scale;
  return [heard, ...(isDim ? ['lamps-dim' as const] : []), ...(isHot(vehicle, now) ? ['smells-hot' as const] : [])];
}

/** A bad joint in the starting path that is being heated. */
const isHot = (vehicle: Vehicle, { motorAmps }: Instant): boolean =>
  PIECE_NAMES.some(
    (piece) =>
      PIECES[piece].loadedBy === 'cranking' &&
      vehicle.pieces[piece] > NOT_SOUND * soundPieceOhms(piece, vehicle) &&
      motorAmps ** 2 * vehicle.pieces[piece] > HOT_WATTS,
  );
