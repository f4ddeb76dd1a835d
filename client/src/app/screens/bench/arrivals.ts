import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { TESTS, readingWords } from '@tetrad/core';
import type { Reading } from '@tetrad/core';
import { Sentences } from '../../device/sentences';
import { JobStore } from '../../job/job.store';

/** What somebody else saved is told for this long, ms. */
const TOLD_MS = 20_000;
/** Readings told at once, the newest. */
const MAX_TOLD = 3;
/** Who saved it, where nobody said. */
const SOMEBODY = 'Another device';

/** What others saved to this job while it is open here: told, so that nothing changes unseen. */
@Injectable()
export class Arrivals {
  readonly #job = inject(JobStore);
  readonly #voice = inject(Sentences).voice;
  #known: { job: string | null; readings: Set<string> } | null = null;
  #over: ReturnType<typeof setTimeout> | undefined;
  readonly #newest = signal<readonly Reading[]>([]);

  /** In a line; empty where nothing came in. */
  readonly says = computed(() =>
    this.#newest()
      .map(
        (reading) =>
          `${reading.by ?? SOMEBODY} saved ${TESTS[reading.test].name}: ${readingWords(reading, this.#voice())}`,
      )
      .join(' · '),
  );
  /** The test that came in last: its step can be opened. */
  readonly test = computed(() => this.#newest().at(-1) ?? null);

  constructor() {
    effect(() => {
      const view = this.#job.view();
      if (view) untracked(() => this.#compare());
    });
  }

  dismiss(): void {
    clearTimeout(this.#over);
    this.#newest.set([]);
  }

  #compare(): void {
    const { readings } = this.#job.view()!.case;
    const known = this.#known;
    this.#known = { job: this.#job.id(), readings: new Set<string>(readings.map(({ id }) => id)) };
    if (known?.job !== this.#job.id()) return this.dismiss();
    const [own, pending] = [this.#job.own(), this.#job.pending()];
    const others = readings.filter(({ id }) => !known.readings.has(id) && !own.has(id) && !pending.has(id));
    if (others.length === 0) return;
    this.#newest.update((before) => [...before, ...others].slice(-MAX_TOLD));
    clearTimeout(this.#over);
    this.#over = setTimeout(() => this.dismiss(), TOLD_MS);
  }
}
