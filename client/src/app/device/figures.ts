import { Injectable, computed } from '@angular/core';
import { englishVoice } from '@tetrad/core';
import type { FigureChoice } from '@tetrad/core';
import { keptChoice } from './kept-choice';

/** How this person wants figures written: a choice of the device; files and the server keep plain SI. */
@Injectable({ providedIn: 'root' })
export class Figures {
  readonly #kept = keptChoice<FigureChoice>('tetrad.figures', {
    decimal: ['point', 'comma'],
    temperature: ['C', 'F'],
    smallVolts: ['mV', 'V'],
  });

  readonly choice = this.#kept.value;
  readonly set = this.#kept.set;
  /** Sentences and figures as the person wants them. */
  readonly voice = computed(() => englishVoice(this.choice()));
}
