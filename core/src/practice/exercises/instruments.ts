/** Instruments and their vices, and vehicles that nothing is wrong with. */
import type { Exercise } from '../exercise';
import { exercise } from './exercise-of';

export const INSTRUMENT_EXERCISES: readonly Exercise[] = [
  exercise(
    'nothing-wrong',
    'none',
    [0.5, 11],
    [
      'Just to be sure',
      'Nothing is wrong with it, but winter is coming.',
      'Nothing found is a claim too: it needs the whole baseline.',
    ],
  ),
  exercise(
    'min-max',
    'none',
    [0.5, 44],
    [
      'The lowest was 8 volts',
      'The recorder said 8 V, so it needs a battery.',
      'A recorder’s minimum holds part of the inrush: judge the sustained figure.',
    ],
  ),
  exercise(
    'clamp-ceiling',
    'starter-dragging',
    [0.8, 41],
    [
      'Exactly 200 amps',
      'It cranks slowly. The last shop measured 200 A, again and again.',
      'A current that never moves is the ceiling of the clamp: take a larger one.',
    ],
    { instruments: { clampMostAmps: 200 } },
  ),
  exercise(
    'clamp-zero',
    'none',
    [0.5, 41],
    [
      'Something is flowing',
      'They found 24 A flowing with everything off.',
      'Zero the clamp where it is used, before the vehicle is measured.',
    ],
    { instruments: { clampOffAmps: 24 } },
  ),
  exercise(
    'clamp-scale',
    'none',
    [0.5, 43],
    [
      'A tenth of it',
      'A starter that takes 15 A?',
      'A wrong scale is a factor of ten: no starter cranks on so little.',
    ],
    { instruments: { clampFactor: 0.1 } },
  ),
  exercise(
    'broken-lead',
    'none',
    [0.5, 42],
    ['It jumps about', 'Every reading is another one.', 'Short the leads and wiggle them before a vehicle is blamed.'],
    { instruments: { hasBrokenLead: true } },
  ),
  exercise(
    'ac-range',
    'none',
    [0.5, 40],
    [
      'Twenty-five volts of ripple',
      'The ripple was 25 V, they said.',
      'An AC range that sees DC makes a ripple figure worthless.',
    ],
    { instruments: { acSeesDc: true } },
  ),
];
