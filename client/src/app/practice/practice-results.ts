import { Injectable } from '@angular/core';
import { keptRecord } from '../device/kept-record';

const KEY = 'tetrad.practice';
/** Results of one exercise that are kept. */
const MAX_KEPT = 20;

export interface PracticeResult {
  readonly at: string;
  readonly points: number;
  readonly minutes: number;
  readonly isRight: boolean;
}

/** What was practiced at this device: it never mixes with the jobs of the shop. */
@Injectable({ providedIn: 'root' })
export class PracticeResults {
  readonly #kept = keptRecord<string, readonly PracticeResult[]>(KEY);

  of(exercise: string): readonly PracticeResult[] {
    return this.#kept.all()[exercise] ?? [];
  }
  add(exercise: string, result: PracticeResult): void {
    this.#kept.set(exercise, [...this.of(exercise), result].slice(-MAX_KEPT));
  }
}
