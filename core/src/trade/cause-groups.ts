/** Faults that show alike: lists of causes that several tests share. */
import { causes } from '../evidence/finding';

/** More amps than the engine should ask for. */
export const HIGH_DRAW = causes('starter-dragging', 'engine-drag', 'accessory-seized');

/** Something in the starting path, or the motor itself, lets less current through than it should. */
export const LOW_FLOW = causes(
  'connection-positive-post',
  'connection-negative-post',
  'cable-starter-positive',
  'cable-starter-ground',
  'solenoid-contacts',
  'starter-worn',
);

/** No current flows at all. */
export const NO_FLOW = causes(
  'starter-control',
  'solenoid-contacts',
  'cable-starter-positive',
  'cable-starter-ground',
  'connection-positive-post',
  'connection-negative-post',
  ['starter-worn', 0.5],
);

/** Everything that makes an engine crank slowly. */
export const SLOW = causes(
  'battery-worn',
  'battery-dead-cell',
  'battery-discharged',
  'connection-positive-post',
  'connection-negative-post',
  'cable-starter-positive',
  'cable-starter-ground',
  'solenoid-contacts',
  'starter-worn',
  'starter-dragging',
  'engine-drag',
  'accessory-seized',
);

/** The alternator is silent, or nobody tells it to work. */
export const SILENT = causes('alternator-dead', 'charge-control');

/** Less comes out of the alternator than the vehicle asks for. */
export const WEAK_OUTPUT = causes(
  'alternator-weak',
  ['alternator-diode', 0.5],
  ['belt-slip', 0.9],
  ['alternator-dead', 0.2],
  ['charge-control', 0.15],
);

/** The way from the alternator to the battery loses volts. */
export const CHARGE_PATHS = causes('charge-cable-positive', 'charge-cable-ground');

/** Charging volts that sag: too little comes out, or too little arrives. */
export const LOW_OUTPUT = [
  ...WEAK_OUTPUT,
  // the engine's ground and the negative post carry the alternator's current home as well
  ...causes(
    ['charge-cable-positive', 0.8],
    ['charge-cable-ground', 0.8],
    ['cable-starter-ground', 0.5],
    ['connection-negative-post', 0.4],
  ),
];

/** Nothing arrives at the battery at all. */
export const NO_OUTPUT = causes(
  'alternator-dead',
  'charge-control',
  ['belt-slip', 0.25],
  ['charge-cable-positive', 0.5],
  ['charge-cable-ground', 0.5],
  ['cable-starter-ground', 0.3],
  ['alternator-weak', 0.3],
);
