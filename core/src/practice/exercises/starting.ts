/** The starting circuit: connections, cables, starter, engine. */
import type { Exercise } from '../exercise';
import { exercise } from './exercise-of';

export const STARTING_EXERCISES: readonly Exercise[] = [
  exercise(
    'slow-positive-post',
    'connection-positive-post',
    [0.7, 15],
    [
      'Slow crank, new battery',
      'The battery is two weeks old. It still cranks slowly.',
      'A problem that survived a new battery points at connections.',
    ],
  ),
  exercise(
    'slow-negative-post',
    'connection-negative-post',
    [0.7, 16],
    [
      'Sometimes it starts at once',
      'It starts at once when it is warm, or after the hood was slammed.',
      'Volts lost at a post look like a bad battery or a bad starter.',
    ],
  ),
  exercise(
    'slow-ground',
    'cable-starter-ground',
    [0.7, 17],
    [
      'After the clutch was done',
      'Since the gearbox was out it cranks slowly.',
      'A bad whole with a good half puts the loss in the other half.',
    ],
  ),
  exercise(
    'slow-cable',
    'cable-starter-positive',
    [0.7, 18],
    ['Green at the end', 'It cranks slowly and something smells hot.', 'Halve the path until one cable is named.'],
  ),
  exercise(
    'slow-starter',
    'starter-dragging',
    [0.8, 19],
    [
      'Lamps go dark',
      'The lamps go dark while it cranks.',
      'High amps condemn a starter only once belt and plugs were out.',
    ],
  ),
  exercise(
    'worn-starter',
    'starter-worn',
    [0.8, 20],
    [
      'Good volts, slow crank',
      'It cranks slowly, and the battery was tested good.',
      'Good volts, low amps, slow: resistance, or worn brushes.',
    ],
  ),
  exercise(
    'tight-engine',
    'engine-drag',
    [0.8, 26],
    [
      'After the rebuild',
      'The engine was rebuilt. Since then it cranks slowly.',
      'A hand on the crankshaft excludes a lock, not drag.',
    ],
  ),
  exercise(
    'seized-accessory',
    'accessory-seized',
    [0.8, 27],
    [
      'A squeal, then slow',
      'It squealed once, and cranks slowly since.',
      'Take the belt off and repeat: the amps fall.',
    ],
  ),
  exercise(
    'silent-control',
    'starter-control',
    [0.8, 21],
    [
      'Nothing happens',
      'I turn the key and nothing happens. The lamps stay bright.',
      'Is it told to crank? Ask the control terminal first.',
    ],
  ),
  exercise(
    'silent-contacts',
    'solenoid-contacts',
    [0.95, 22],
    ['One click', 'One click, and nothing more.', 'Whole battery volts across the contacts: they are open.'],
  ),
  exercise(
    'silent-cable',
    'cable-starter-positive',
    [1, 23],
    [
      'Not even a click',
      'Not even a click any more.',
      'An open joint carries the whole battery voltage across itself.',
    ],
  ),
  exercise(
    'silent-ground',
    'cable-starter-ground',
    [1, 24],
    [
      'Dead after the wash',
      'Since it was washed under the hood it does nothing.',
      'Small resistances cannot be told without current; an open can.',
    ],
  ),
  exercise(
    'open-starter',
    'starter-worn',
    [0.95, 42],
    [
      'Tap it and it goes',
      'Nothing happens. Once it went after somebody hit the starter.',
      'Volts arrive at the motor and none flow: the starter itself is open.',
    ],
  ),
  exercise(
    'spins-free',
    'starter-drive',
    [0.8, 25],
    [
      'It whirrs',
      'It whirrs, and the engine does not turn.',
      'Few amps and no slowing: look at the drive and the ring gear.',
    ],
  ),
  exercise(
    'truck',
    'connection-negative-post',
    [0.8, 40],
    [
      'Twenty-four volts',
      'A truck, both batteries new. It cranks slowly.',
      'At 24 V twice as much may be lost, and not more.',
    ],
    { kind: { fuel: 'diesel', nominalVolts: 24 } },
  ),
  exercise(
    'body-ground',
    'ground-body',
    [0.8, 36],
    ['Odd electronics', 'The clock resets when it starts, and lamps flicker.', 'The body has a ground of its own.'],
  ),
  exercise(
    'two-faults',
    ['battery-worn', 'connection-negative-post'],
    [0.7, 37],
    [
      'Two at once',
      'It has cranked slowly for a year. Now it is worse.',
      'A bad connection does not acquit the battery.',
    ],
  ),
];
