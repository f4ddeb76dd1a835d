/** The battery: its charge, its health, its label. */
import type { Exercise } from '../exercise';
import { exercise } from './exercise-of';

export const BATTERY_EXERCISES: readonly Exercise[] = [
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
    'frozen',
    'battery-discharged',
    [0.9, 200],
    [
      'Minus fifteen',
      'It stood outside for a week. It does nothing.',
      'A flat battery freezes early: never test, charge or jump it frozen.',
    ],
  ),
  exercise(
    'surface-charge',
    'battery-worn',
    [0.8, 41],
    [
      'Fresh from the road',
      'It was driven in just now. In the mornings it cranks slowly.',
      'A charge left on the plates looks like a full battery: lamps on, lamps off, then read.',
    ],
    { isJustCharged: true },
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
    'three-ways',
    'battery-worn',
    [0.25, 49],
    [
      'Good on one tester',
      'One tester called the battery good, another bad.',
      'Where two ways disagree a third is asked; a lie is never averaged away.',
    ],
  ),
  exercise(
    'wrong-label',
    'connection-negative-post',
    [0.75, 49],
    [
      'Condemned by its label',
      'The last workshop wants to sell a battery.',
      'A label is a reading too: look at it again before a battery is condemned by what leans on it.',
    ],
    { isLabelMisread: true },
  ),
  exercise(
    'good-battery',
    'connection-negative-post',
    [0.75, 42],
    [
      'Called bad elsewhere',
      'A tester printed “replace battery”, and they did. It still cranks slowly.',
      'A good battery behind a bad post is called bad: read at the posts.',
    ],
  ),
  exercise(
    'pack-of-three',
    'battery-worn',
    [0.8, 41],
    [
      'Three in a row',
      'A coach with three batteries. It cranks slowly.',
      'A pack hides its bad battery: isolate each, and read each.',
    ],
    { kind: { fuel: 'diesel', nominalVolts: 12, inParallel: 3 } },
  ),
  exercise(
    'truck-cell',
    'battery-dead-cell',
    [0.8, 40],
    [
      'One of two',
      'A truck. It was charged overnight and clicks again.',
      'In series each battery has its own charge, health and verdict.',
    ],
    { kind: { fuel: 'diesel', nominalVolts: 24 } },
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
];
