import { Injectable, computed, inject } from '@angular/core';
import type { WaitKind } from '@tetrad/core';
import { Clock } from '../../../device/clock';
import { JobStore } from '../../../job/job.store';
import { runningCount, waits } from '../../../waiting/timer-state';
import { StepReading } from './step-reading';

/** The waits of the step at hand: which it may begin, which run, and which are over. */
@Injectable()
export class StepWaits {
  readonly #job = inject(JobStore);
  readonly #clock = inject(Clock);
  readonly #reading = inject(StepReading);
  readonly #timers = computed(() => this.#job.view()?.timers ?? []);
  /** The clock is asked only while something runs. */
  readonly #running = computed(() => (this.#timers().length === 0 ? [] : waits(this.#timers(), this.#clock.ticking())));

  readonly kinds = computed((): readonly WaitKind[] => this.#reading.step()?.waits ?? []);
  /** Waits of this job that have run out. */
  readonly over = computed(
    (): ReadonlySet<WaitKind> =>
      new Set(this.#running().flatMap(({ timer, state }) => (state.over ? [timer.kind] : []))),
    { equal: (a, b) => a.size === b.size && [...a].every((kind) => b.has(kind)) },
  );
  readonly count = computed(() =>
    this.#timers().length === 0 ? null : runningCount(this.#timers(), this.#clock.ticking()),
  );
  /** The starter cools: another crank must wait. */
  readonly isCooling = computed(() =>
    this.#running().some(({ timer, state }) => timer.kind === 'cool-down' && !state.over),
  );
}
