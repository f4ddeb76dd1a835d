import { Injectable, computed, inject } from '@angular/core';
import { englishVoice } from '@tetrad/core';
import { Figures } from './figures';

/**
 * Every sentence of the trade, with figures as this person wants them. It knows all tests and faults, so a screen
 * that only writes figures takes {@link Figures} and loads without it.
 */
@Injectable({ providedIn: 'root' })
export class Sentences {
  readonly choice = inject(Figures).choice;
  readonly voice = computed(() => englishVoice(this.choice()));
}
