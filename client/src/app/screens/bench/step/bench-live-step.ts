import { Injectable, computed, inject } from '@angular/core';
import type { LiveStep } from '../../../instruments/live/live-step';
import { StepReading } from './step-reading';

/** Instruments are asked only while an entry is open. */
@Injectable()
export class BenchLiveStep implements LiveStep {
  readonly #reading = inject(StepReading);
  readonly open = computed(() => (this.#reading.isShown() ? null : this.#reading.step()));
}
