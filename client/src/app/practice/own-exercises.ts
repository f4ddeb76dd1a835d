import { Injectable } from '@angular/core';
import { exerciseOf } from '@tetrad/core/practice';
import type { Exercise } from '@tetrad/core/practice';
import { keptRecord } from '../device/kept-record';

const KEY = 'tetrad.practice-own';
/** In the address, before the id of an exercise that came from a file. */
const OWN = 'own-';

/** Exercises that were opened from a file at this device. */
@Injectable({ providedIn: 'root' })
export class OwnExercises {
  readonly #kept = keptRecord<string, Exercise>(KEY);

  get all(): readonly Exercise[] {
    return Object.values(this.#kept.all()).filter((one) => one !== undefined);
  }
  /** @returns its name in the address. */
  add(exercise: Exercise): string {
    const id = OWN + exercise.id.toLowerCase().replace(/[^a-z0-9]+/g, '-');
    this.#kept.set(id, { ...exercise, id });
    return id;
  }
  /** Of an address: one that ships, any vehicle by number, or one from a file; null for none. */
  of(id: string): Exercise | null {
    return exerciseOf(id) ?? this.#kept.all()[id] ?? null;
  }
}
