/** The exercises that ship: one for each lesson of fault finding. */
import { FAULT_NAMES } from '../trade/tables';
import { randomOf } from '../circuit/model/random';
import type { FaultName } from '../format/names';
import type { Exercise } from './exercise';

const exercise = (
  id: string,
  fault: FaultName | readonly FaultName[],
  [severity, seed]: readonly [number, number],
  [title, story, lesson]: readonly [string, string, string],
): Exercise => ({
  id,
  title,
  story,
  lesson,
  faults: Array.isArray(fault) ? fault : [fault as FaultName],
  severity,
  seed,
});

export const EXERCISES: readonly Exercise[] = [
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
    'flat-battery',
    'battery-discharged',
    [0.7, 12],
    [
      'Left in the yard',
      'It stood for three weeks and only clicks now.',
      'A flat battery tests nothing else: charge first, then repeat.',
    ],
  ),
  exercise(
    'worn-battery',
    'battery-worn',
    [0.8, 13],
    [
      'Worse every morning',
      'It cranks more slowly each cold morning.',
      'Health by two different ways, after a charge, before a battery is condemned.',
    ],
  ),
  exercise(
    'dead-cell',
    'battery-dead-cell',
    [0.8, 14],
    [
      'Charged, and flat again',
      'It was charged overnight and is flat again.',
      'About 2 V missing at rest after a charge is a dead cell.',
    ],
  ),
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
    'overcharge',
    'regulator-high',
    [0.8, 32],
    ['It smells', 'The lamps are very bright and the battery smells.', 'Overcharging has few excuses.'],
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
    'drain',
    'parasitic-drain',
    [0.8, 35],
    [
      'Flat after a weekend',
      'It is flat every Monday.',
      'A draw read twice while asleep is a fact, whatever else was found.',
    ],
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

/** The exercise of an address; null for one that is none. `any-42` is any vehicle, drawn by its number. */
export function exerciseOf(id: string): Exercise | null {
  const known = EXERCISES.find((one) => one.id === id);
  if (known) return known;
  const seed = /^any-(\d{1,9})$/.exec(id)?.[1];
  return seed === undefined ? null : anyVehicle(Number(seed));
}

/** Any vehicle: fault, severity, engine and weather are drawn by its number. */
export function anyVehicle(seed: number): Exercise {
  const random = randomOf(seed + 7919);
  return {
    id: `any-${seed}`,
    title: `Vehicle ${seed}`,
    story: 'The driver says only what is written on the card.',
    lesson: 'Test in order, and prove it before a part is condemned.',
    faults: [random.pick(FAULT_NAMES)],
    severity: random.between(0.45, 1),
    seed,
  };
}
