/** Every step the judge may ask for: its minutes, what it settles, and what must hold before it. */
import type { StepName } from '../case/judgement-shape';
import type { FaultName } from '../case/vocabulary';
import { latest, readingsOf } from './situation';
import type { Situation } from './situation';

export interface StepRow {
  /** Minutes of work, set-up at the same place shared. */
  readonly minutes: number;
  /** Faults it tells about, and how much of the doubt it takes away (0 to 1). */
  readonly informs: readonly (readonly [FaultName, number])[];
  readonly settles: string;
  readonly needsCharge?: boolean;
  readonly needsCrank?: boolean;
  readonly needsEngine?: boolean;
  readonly when?: (situation: Situation) => boolean;
}

const all = (strength: number, ...faults: readonly FaultName[]): readonly (readonly [FaultName, number])[] =>
  faults.map((fault) => [fault, strength] as const);

const CRANKING = { needsCharge: true, needsCrank: true } as const;
const RUNNING = { needsEngine: true, needsCharge: true } as const;

export const STEPS: Readonly<Partial<Record<StepName, StepRow>>> = {
  'resting-voltage': { minutes: 1, informs: all(0.9, 'battery-discharged'), settles: 'Tells how full the battery is.' },
  'battery-case': {
    minutes: 0.5,
    informs: all(0.1, 'battery-dead-cell'),
    settles: 'A frozen, cracked or swollen battery ends the test.',
  },
  terminals: {
    minutes: 0.5,
    informs: all(0.25, 'connection-positive-post', 'connection-negative-post'),
    settles: 'Loose or corroded terminals look like a bad battery or starter.',
  },
  conductance: {
    minutes: 1,
    informs: all(0.8, 'battery-worn', 'battery-dead-cell'),
    settles: 'Tells how good the battery is, even partly charged.',
  },
  'load-test': {
    minutes: 3,
    informs: all(0.85, 'battery-worn', 'battery-dead-cell'),
    settles: 'Tells whether the battery holds its volts under load.',
    needsCharge: true,
  },
  'internal-resistance': {
    minutes: 1.5,
    informs: all(0.6, 'battery-worn'),
    settles: 'A second measure of the battery’s health.',
  },
  'specific-gravity': {
    minutes: 6,
    informs: all(0.9, 'battery-dead-cell'),
    settles: 'Shows each cell by itself.',
    when: ({ case: { system } }) => system.battery.serviceable === true,
  },
  'cranking-voltage': {
    ...CRANKING,
    minutes: 2,
    informs: [...all(0.4, 'battery-worn', 'starter-dragging', 'engine-drag', 'accessory-seized')],
    settles: 'Shows what the starter takes from the battery.',
  },
  'starter-draw': {
    ...CRANKING,
    minutes: 1.5,
    informs: all(
      0.5,
      'starter-dragging',
      'engine-drag',
      'accessory-seized',
      'starter-worn',
      'cable-starter-positive',
      'cable-starter-ground',
      'solenoid-contacts',
      'starter-control',
      'starter-drive',
    ),
    settles: 'Low volts because the battery is weak, or because the starter asks too much.',
  },
  'cranking-speed': {
    ...CRANKING,
    minutes: 1.5,
    informs: all(0.25, 'starter-worn', 'starter-drive', 'engine-drag', 'starter-control'),
    settles: 'Tells whether the engine turns as it should.',
  },
  'drop-starter-positive': {
    ...CRANKING,
    minutes: 2.5,
    informs: all(0.7, 'cable-starter-positive', 'connection-positive-post', 'solenoid-contacts', 'starter-worn'),
    settles: 'Halves the starting path: is the positive side losing the volts?',
  },
  'drop-starter-ground': {
    ...CRANKING,
    minutes: 2,
    informs: all(0.8, 'cable-starter-ground', 'connection-negative-post', 'starter-worn'),
    settles: 'Halves the starting path: is the ground side losing the volts?',
  },
  'drop-positive-post': {
    ...CRANKING,
    minutes: 1,
    informs: all(0.85, 'connection-positive-post', 'cable-starter-positive'),
    settles: 'Volts lost at a post look like a bad battery or a bad starter.',
  },
  'drop-negative-post': {
    ...CRANKING,
    minutes: 1,
    informs: all(0.85, 'connection-negative-post', 'cable-starter-ground'),
    settles: 'Volts lost at a post look like a bad battery or a bad starter.',
  },
  'drop-solenoid': {
    ...CRANKING,
    minutes: 2,
    informs: all(0.85, 'solenoid-contacts', 'cable-starter-positive'),
    settles: 'Tells burnt solenoid contacts from the cable.',
  },
  'drop-engine-ground': {
    ...CRANKING,
    minutes: 1.5,
    informs: all(0.3, 'cable-starter-ground'),
    settles: 'Tells the engine’s strap from the starter’s own mounting.',
  },
  'starter-control-voltage': {
    minutes: 2,
    informs: [
      ...all(0.9, 'starter-control'),
      ...all(0.25, 'solenoid-contacts', 'cable-starter-positive', 'cable-starter-ground'),
    ],
    settles: 'Shows whether the solenoid is told to work.',
    needsCharge: true,
  },
  'crank-by-hand': {
    minutes: 3,
    informs: all(0.6, 'engine-drag', 'accessory-seized'),
    settles: 'Before a starter is condemned: does the engine turn by hand?',
  },
  'belt-removed-crank': {
    minutes: 8,
    informs: all(0.9, 'accessory-seized', 'engine-drag'),
    settles: 'A seized accessory drags the engine: belt off, and crank again.',
  },
  'plugs-removed-crank': {
    minutes: 20,
    informs: all(0.5, 'engine-drag', 'starter-dragging'),
    settles: 'Tells compression from bearings.',
  },
  'charging-voltage': {
    ...RUNNING,
    minutes: 1.5,
    informs: [
      ...all(0.7, 'alternator-dead', 'regulator-high', 'charge-control'),
      ...all(0.4, 'alternator-weak', 'belt-slip', 'charge-cable-positive', 'charge-cable-ground'),
    ],
    settles: 'Shows whether the alternator charges, and not too much.',
  },
  'ripple-ac': {
    ...RUNNING,
    minutes: 1,
    informs: all(0.8, 'alternator-diode'),
    settles: 'Shows a bad diode before the battery suffers.',
  },
  'ripple-waveform': {
    ...RUNNING,
    minutes: 3,
    informs: all(0.7, 'alternator-diode'),
    settles: 'One hump missing in six is a diode.',
  },
  'diode-reverse': {
    minutes: 12,
    informs: all(0.5, 'alternator-diode'),
    settles: 'A diode that conducts both ways is shorted.',
  },
  'alternator-current': {
    ...RUNNING,
    minutes: 4,
    informs: all(0.75, 'alternator-weak', 'belt-slip', 'alternator-diode'),
    settles: 'Loaded to its limit, shows what the alternator can give.',
  },
  belt: { minutes: 0.5, informs: all(0.7, 'belt-slip'), settles: 'A slipping belt looks like a weak alternator.' },
  'charge-lamp': {
    minutes: 0.5,
    informs: all(0.25, 'charge-control'),
    settles: 'The lamp with key on shows the excitation.',
  },
  'alternator-stud-voltage': {
    minutes: 2,
    informs: all(0.4, 'charge-cable-positive'),
    settles: 'A blown fusible link leaves no volts at the stud.',
  },
  'excitation-voltage': {
    minutes: 2,
    informs: all(0.8, 'charge-control'),
    settles: 'Shows whether the alternator is told to charge.',
  },
  'drop-charge-positive': {
    ...RUNNING,
    minutes: 2.5,
    informs: all(0.8, 'charge-cable-positive'),
    settles: 'Shows what the charging cable loses.',
    when: alternatorGives,
  },
  'drop-charge-ground': {
    ...RUNNING,
    minutes: 2,
    informs: all(0.8, 'charge-cable-ground'),
    settles: 'Shows what the alternator’s ground loses.',
    when: alternatorGives,
  },
  'ground-strap': {
    minutes: 0.5,
    informs: all(0.15, 'charge-cable-ground', 'cable-starter-ground'),
    settles: 'A dead alternator has no current to read a drop by: look at the strap.',
  },
  'parasitic-draw': {
    minutes: 25,
    informs: all(0.95, 'parasitic-drain'),
    settles: 'Shows what flows while all sleeps.',
  },
  'hold-charge': {
    minutes: 30,
    informs: all(0.4, 'battery-dead-cell'),
    settles: 'Shows whether the battery loses its charge by itself.',
  },
};

/** Drops on the charging side need current: a charging voltage above rest, or amps at the output. */
function alternatorGives(situation: Situation): boolean {
  const volts = readingsOf(situation, 'charging-voltage');
  const amps = latest(situation, 'alternator-current');
  const above = (situation.resting ?? 12.6 * situation.scale) + 0.2 * situation.scale;
  return (
    volts.length === 0 ||
    (amps?.value ?? 0) > 5 ||
    volts.some(({ value }) => typeof value === 'number' && value > above)
  );
}
