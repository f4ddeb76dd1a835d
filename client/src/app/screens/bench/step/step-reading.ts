import { Injectable, computed, inject, linkedSignal } from '@angular/core';
import { countedReadings, isWhollyRead, unreadBatteries } from '@tetrad/core';
import type { ReadingStep } from '@tetrad/core';
import { JobStore } from '../../../job/job.store';
import { belongs, keyOf } from '../route/step-key';
import { StepAtHand } from '../step-at-hand';

/** What was read at the step at hand, what of it counts, and which battery is next. */
@Injectable()
export class StepReading {
  readonly #job = inject(JobStore);
  readonly #at = inject(StepAtHand);

  /** The step, where it is one that is read. */
  readonly step = computed((): ReadingStep | null => {
    const step = this.#at.step();
    return step.kind === 'reading' ? step : null;
  });
  readonly attempts = computed(() =>
    this.#job.assessments().filter(({ reading }) => belongs(reading, this.#at.step())),
  );
  readonly counted = computed(() => countedReadings(this.attempts(), this.#job.pass()));

  /** Batteries of the pack that are read by themselves here; none where there is one. */
  readonly batteries = computed((): readonly number[] => {
    const count = this.#job.view()?.case.system.battery.count ?? 1;
    return this.step()?.perBattery && count > 1 ? Array.from({ length: count }, (_, index) => index + 1) : [];
  });
  /** Which battery is at hand: the next that was not read; 0 is the pack as connected. */
  readonly battery = linkedSignal(
    () => unreadBatteries(this.counted(), this.batteries())[0] ?? this.batteries()[0] ?? 0,
  );
  readonly isWhollyRead = computed(() => isWhollyRead(this.counted(), this.batteries()));

  /** Which step of which job, and how often it was read. */
  readonly #attempt = computed(() => `${this.#job.id() ?? ''} ${keyOf(this.#at.step())} ${this.attempts().length}`);
  /** Somebody wants to read it once more; another step, or another reading, ends that. */
  readonly #isAgain = linkedSignal<string, boolean>({ source: this.#attempt, computation: () => false });
  /** A step that was read shows what was read; anything else asks for it. */
  readonly isShown = computed(() => this.isWhollyRead() && !this.#isAgain() && !this.#at.isNext());
  /** What is shown large: the newest that counts. */
  readonly newest = computed(() => this.counted().at(-1) ?? null);
  /** The test, where the newest that counts came out badly: its path is worth narrowing down. */
  readonly failing = computed(() => (this.newest()?.grade === 'outside' ? (this.step()?.test ?? null) : null));

  /** Asks for the step once more. */
  again(): void {
    this.#isAgain.set(true);
  }
}
