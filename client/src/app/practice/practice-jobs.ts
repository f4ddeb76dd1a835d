import { Injectable } from '@angular/core';
import type { Exercise } from '@tetrad/core/practice';
import { keptRecord } from '../device/kept-record';

const KEY = 'tetrad.practice-jobs';

/** Which jobs of this device are practice, each with its exercise: they are never sent, and stand in no list. */
@Injectable({ providedIn: 'root' })
export class PracticeJobs {
  readonly #kept = keptRecord<string, Exercise>(KEY);

  of(job: string): Exercise | null {
    return this.#kept.all()[job] ?? null;
  }
  add(job: string, exercise: Exercise): void {
    this.#kept.set(job, exercise);
  }
  drop(job: string): void {
    this.#kept.set(job, null);
  }
}
