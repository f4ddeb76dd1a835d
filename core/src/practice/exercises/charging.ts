/** The charging circuit: belt, wires, alternator, regulator. */
import type { Exercise } from '../exercise';
import { exercise } from './exercise-of';

export const CHARGING_EXERCISES: readonly Exercise[] = [
  exercise(
    'belt',
    'belt-slip',
    [0.8, 28],
    [
      'It squeals in the rain',
      'It squeals in the rain, and the lamp glows.',
      'Rule out the belt before the alternator.',
    ],
  ),
  exercise(
    'blown-link',
    'charge-cable-positive',
    [1, 42],
    [
      'After a jump start',
      'It was jump started the wrong way round. It has not charged since.',
      'No volts at the output stud, engine off: a blown fusible link, and a sound alternator.',
    ],
  ),
  exercise(
    'charge-wire',
    'charge-cable-positive',
    [0.8, 34],
    [
      'Good at the alternator',
      'The garage down the road says the alternator is good.',
      'Read the drop from stud to post near full output.',
    ],
  ),
  exercise(
    'excitation',
    'charge-control',
    [0.8, 33],
    [
      'Lamp never lights',
      'The battery lamp does not light at all, not even with the key on.',
      'No excitation, no output: the alternator is not at fault.',
    ],
  ),
  exercise(
    'dead-alternator',
    'alternator-dead',
    [0.9, 29],
    [
      'The lamp is on',
      'The battery lamp stays on.',
      'Belt, stud, excitation and both drops before an alternator is condemned.',
    ],
  ),
  exercise(
    'weak-alternator',
    'alternator-weak',
    [0.8, 30],
    [
      'Dim at the lights',
      'The lamps get dim at the traffic lights.',
      'What the vehicle asks for is not what the alternator can give: load it.',
    ],
  ),
  exercise(
    'diode',
    'alternator-diode',
    [0.8, 31],
    [
      'A whine in the radio',
      'The radio whines with the engine speed.',
      'Ripple, and its waveform: a missing hump in every six.',
    ],
  ),
  exercise(
    'shorted-diode',
    'alternator-diode',
    [0.9, 49],
    [
      'Flat, and it whines',
      'It goes flat, and the radio whines.',
      'A shorted diode is a drain as well: ripple shows it.',
    ],
  ),
  exercise(
    'overcharge',
    'regulator-high',
    [0.8, 32],
    ['It smells', 'The lamps are very bright and the battery smells.', 'Overcharging has few excuses.'],
  ),
  exercise(
    'smart-charging',
    'none',
    [0.5, 44],
    [
      'Only 12.9 volts',
      'They said the alternator is weak, it gave 12.9 V.',
      'A commanded target moves on purpose: judge against the target, or load it.',
    ],
  ),
];
