import { Injectable, signal } from '@angular/core';
import { storedObject } from '../device/stored-object';

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
  readonly #all = signal(
    (storedObject(localStorage, KEY) ?? {}) as Readonly<Record<string, readonly PracticeResult[]>>,
  );

  of(exercise: string): readonly PracticeResult[] {
    return this.#all()[exercise] ?? [];
  }
  add(exercise: string, result: PracticeResult): void {
    this.#all.update((all) => ({ ...all, [exercise]: [...(all[exercise] ?? []), result].slice(-MAX_KEPT) }));
    localStorage.setItem(KEY, JSON.stringify(this.#all()));
  }
}
