import { Injectable } from '@angular/core';
import { keptChoice } from './kept-choice';

export interface SettingsChoice {
  /** Where the bench goes after a reading: where the judge points, or the next of the four notes. */
  readonly afterEnter: 'judge' | 'notes';
  readonly sounds: 'on' | 'off';
  /** The key that a foot switch sends: on the bench it saves, as Enter does. */
  readonly footSwitch: 'none' | 'PageDown' | 'F9' | 'F13';
}

/** How this device works: a choice of whoever works at it. */
@Injectable({ providedIn: 'root' })
export class Settings {
  readonly #kept = keptChoice<SettingsChoice>('tetrad.settings', {
    afterEnter: ['judge', 'notes'],
    sounds: ['on', 'off'],
    footSwitch: ['none', 'PageDown', 'F9', 'F13'],
  });
  readonly choice = this.#kept.value;
  readonly set = this.#kept.set;
}
