import { Injectable, computed, effect, inject, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { PracticeResultView } from '@tetrad/contracts';
import type { PracticeResult } from '@tetrad/core';
import { fromEvent } from 'rxjs';
import { keptRecord } from '../device/kept-record';
import { Api } from '../api/api';
import { newId } from '../device/new-id';
import { selectSession } from '../state/session/session.feature';

const KEY = 'tetrad.practice-results';
/** So many results of a person are kept at a device. */
const MAX_KEPT = 500;

/** A result at this device; one that the server does not have yet is sent when it can be. */
interface KeptResult extends PracticeResultView {
  readonly isUnsent?: boolean;
}

/** What was practiced by whoever works at this device: it never mixes with the jobs of the shop. */
@Injectable({ providedIn: 'root' })
export class PracticeResults {
  readonly #api = inject(Api);
  readonly #session = inject(Store).selectSignal(selectSession);
  /** By person. */
  readonly #kept = keptRecord<string, readonly KeptResult[]>(KEY);
  /** The oldest first. */
  readonly all = computed((): readonly KeptResult[] => this.#kept.all()[this.#session()?.person.id ?? ''] ?? []);

  constructor() {
    effect(() => {
      if (this.#session()) untracked(() => this.sync());
    });
    fromEvent(globalThis, 'online')
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.sync());
  }

  of(exercise: string): readonly KeptResult[] {
    return this.all().filter((one) => one.exercise === exercise);
  }
  add(result: PracticeResult): void {
    this.#keep([...this.all(), { ...result, id: newId(), isUnsent: true }]);
    this.sync();
  }

  /** Sends what the server does not have, then reads what it has; without a server everything stays as it is. */
  sync(): void {
    const session = this.#session();
    if (!session) return;
    const shop = session.shop.id;
    for (const { id, isUnsent, ...result } of this.all())
      if (isUnsent)
        this.#api.putPracticeResult(shop, id, { result }).subscribe({
          next: () => this.#keep(this.all().map((one) => (one.id === id ? { ...result, id } : one))),
          error: () => undefined, // it stays unsent
        });
    this.#api.listPracticeResults(shop).subscribe({
      next: (stored) => {
        const ids = new Set(stored.map(({ id }) => id));
        const own = this.all().filter(({ id, isUnsent }) => isUnsent && !ids.has(id));
        this.#keep([...stored, ...own]);
      },
      error: () => undefined,
    });
  }

  #keep(results: readonly KeptResult[]): void {
    const person = this.#session()?.person.id;
    if (person !== undefined) this.#kept.set(person, results.slice(-MAX_KEPT));
  }
}
