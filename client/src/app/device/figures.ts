import { Injectable, computed } from '@angular/core';
import { figureFormat } from '@tetrad/core/light';
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
  readonly format = computed(() => figureFormat(this.choice()));
}
