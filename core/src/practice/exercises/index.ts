/** The exercises that ship: one for each lesson of fault finding. */
import { randomOf } from '../../circuit/model/random';
import { FAULT_NAMES } from '../../trade/tables';
import type { Exercise } from '../exercise';
import { BATTERY_EXERCISES } from './battery';
import { CHARGING_EXERCISES } from './charging';
import { INSTRUMENT_EXERCISES } from './instruments';
import { STARTING_EXERCISES } from './starting';

/** By what is learned, in the order in which a vehicle is tested. */
export const EXERCISE_GROUPS = [
  { name: 'Battery', exercises: BATTERY_EXERCISES },
  { name: 'Starting', exercises: STARTING_EXERCISES },
  { name: 'Charging', exercises: CHARGING_EXERCISES },
  { name: 'Instruments', exercises: INSTRUMENT_EXERCISES },
] as const;
export const EXERCISES: readonly Exercise[] = EXERCISE_GROUPS.flatMap(({ exercises }) => exercises);

/** The exercise of an address; null for one that is none. `any-42` is any vehicle, drawn by its number. */
export function exerciseOf(id: string): Exercise | null {
  const known = EXERCISES.find((one) => one.id === id);
  if (known) return known;
  const seed = /^any-(\d{1,9})$/.exec(id)?.[1];
  return seed === undefined ? null : anyVehicle(Number(seed));
}

/** Any vehicle: fault, severity, engine and weather are drawn by its number. @param seed A whole number. */
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
