import { Injectable, signal } from '@angular/core';
import { exerciseOf } from '@tetrad/core/practice';
import type { Exercise } from '@tetrad/core/practice';
import { storedObject } from '../device/stored-object';

const KEY = 'tetrad.practice-own';
/** In the address, before the id of an exercise that came from a file. */
const OWN = 'own-';

/** Exercises that were opened from a file at this device. */
@Injectable({ providedIn: 'root' })
export class OwnExercises {
  readonly #all = signal((storedObject(localStorage, KEY) ?? {}) as Readonly<Record<string, Exercise>>);
  readonly all = this.#all.asReadonly();

  /** @returns its name in the address. */
  add(exercise: Exercise): string {
    const id = OWN + exercise.id.toLowerCase().replace(/[^a-z0-9]+/g, '-');
    this.#all.update((all) => ({ ...all, [id]: { ...exercise, id } }));
    localStorage.setItem(KEY, JSON.stringify(this.#all()));
    return id;
  }
  /** Of an address: one that ships, any vehicle by number, or one from a file; null for none. */
  of(id: string): Exercise | null {
    return exerciseOf(id) ?? this.#all()[id] ?? null;
  }
}
