import { Injectable } from '@angular/core';
import { keptChoice } from './kept-choice';

export interface SettingsChoice {
  /** Where the bench goes after a reading: where the judge points, or the next of the four notes. */
  readonly afterEnter: 'judge' | 'notes';
  readonly sounds: 'on' | 'off';
}

/** How this device works: a choice of whoever works at it. */
@Injectable({ providedIn: 'root' })
export class Settings {
  readonly #kept = keptChoice<SettingsChoice>('tetrad.settings', {
    afterEnter: ['judge', 'notes'],
    sounds: ['on', 'off'],
  });
  readonly choice = this.#kept.value;
  readonly set = this.#kept.set;
}
