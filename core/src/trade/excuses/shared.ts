/** Excuses that several faults have by the same mechanism. */
import type { Excused } from '../fault';

/** A starter that is good, and turns the engine slowly or not at all. */
export const STARTER_EXCUSED: readonly Excused[] = [
  { excuse: 'battery-not-proven', how: 'A weak battery gives the starter too little, and it turns slowly.' },
  {
    excuse: 'draw-not-known',
    how: 'Without its current nobody can tell a starter that asks too much from one that gets too little.',
  },
  { excuse: 'positive-side', how: 'Volts lost in the positive cable or a post are missing at the starter.' },
  { excuse: 'ground-side', how: 'Volts lost on the way back are missing at the starter.' },
  {
    excuse: 'not-told-to-crank',
    how: 'With little voltage at its control terminal the solenoid closes badly or not at all.',
  },
  {
    excuse: 'something-holds-it',
    how: 'An engine that is hard to turn, or a seized accessory, slows a sound starter.',
  },
];

/** An alternator that is good, and charges too little. */
export const ALTERNATOR_EXCUSED: readonly Excused[] = [
  { excuse: 'battery-flat', how: 'A flat battery takes all the current and pulls the voltage down.' },
  { excuse: 'belt-slips', how: 'A slipping belt turns the alternator too slowly.' },
  { excuse: 'output-path-open', how: 'A blown link or an open cable keeps all output from the battery.' },
  { excuse: 'not-told-to-charge', how: 'Without excitation or command a sound alternator gives nothing, or little.' },
];
