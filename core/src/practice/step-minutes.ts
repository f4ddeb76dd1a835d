import { changeMinutes } from '../evidence/engine-state';
import type { StepName } from '../format/names';
import type { EngineState } from '../format/words';
import { OTHER_MINUTES } from '../judge/next/work-left';
import { engineOf } from '../judge/propose/visits';
import { stepOf } from '../trade/tables';

/** Adds up the minutes of work, with what lies between two states of the engine. */
export class StepMinutes {
  #engine: EngineState = 'off';
  #total: number;

  /** @param total Minutes of what was done before. */
  constructor(total = 0) {
    this.#total = total;
  }

  get total(): number {
    return this.#total;
  }
  /** @param loads The loads it is read with, where that matters. */
  add(step: StepName, loads?: unknown): void {
    const engine = engineOf(step, loads);
    this.#total += (stepOf(step)?.minutes ?? OTHER_MINUTES) + changeMinutes(this.#engine, engine);
    this.#engine = engine;
  }
  /** Waiting that was skipped: it counts. */
  wait(minutes: number): void {
    this.#total += minutes;
  }
}
