import { Injectable, computed, signal } from '@angular/core';
import { PLAIN_FIGURES, englishVoice } from '@tetrad/core';
import type { FigureChoice } from '@tetrad/core';

const KEY = 'tetrad.figures';

/** How this person wants figures written: a choice of the device; files and the server keep plain SI. */
@Injectable({ providedIn: 'root' })
export class Figures {
  readonly #choice = signal<FigureChoice>(kept());

  readonly choice = this.#choice.asReadonly();
  /** Sentences and figures as the person wants them. */
  readonly voice = computed(() => englishVoice(this.#choice()));

  set(change: Partial<FigureChoice>): void {
    this.#choice.update((before) => ({ ...before, ...change }));
    localStorage.setItem(KEY, JSON.stringify(this.#choice()));
  }
}

/** What was chosen on this device before; anything that is no choice is passed over. */
function kept(): FigureChoice {
  let found: Partial<FigureChoice> = {};
  try {
    found = (JSON.parse(localStorage.getItem(KEY) ?? '{}') ?? {}) as Partial<FigureChoice>;
  } catch {
    // something else wrote there: begin anew
  }
  const { decimal, temperature, smallVolts } = found;
  return {
    decimal: decimal === 'comma' ? decimal : PLAIN_FIGURES.decimal,
    temperature: temperature === 'F' ? temperature : PLAIN_FIGURES.temperature,
    smallVolts: smallVolts === 'V' ? smallVolts : PLAIN_FIGURES.smallVolts,
  };
}
