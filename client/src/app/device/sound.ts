import { Injectable, inject } from '@angular/core';
import { Settings } from './settings';

/** Tones of the count and of a wait that is over: frequency in Hz, length in s. */
const TONES = {
  tick: [[660, 0.08]],
  go: [[990, 0.35]],
  read: [[1320, 0.5]],
  // one compression of an engine that is cranked
  compression: [[85, 0.09]],
  stop: [
    [440, 0.2],
    [330, 0.4],
  ],
  over: [
    [880, 0.15],
    [1100, 0.15],
    [1320, 0.3],
  ],
} as const satisfies Record<string, readonly (readonly [number, number])[]>;
export type Tone = keyof typeof TONES;

/** Beeps that carry through a workshop, made by the browser itself. */
@Injectable({ providedIn: 'root' })
export class Sound {
  readonly #settings = inject(Settings);
  #context: AudioContext | null = null;

  play(tone: Tone): void {
    if (this.#settings.choice().sounds === 'off') return;
    // a page that nobody has touched yet must be silent
    if (typeof AudioContext === 'undefined' || navigator.userActivation?.hasBeenActive === false) return;
    this.#context ??= new AudioContext();
    const context = this.#context;
    void context.resume().catch(() => undefined);
    let at = context.currentTime;
    for (const [hertz, seconds] of TONES[tone]) {
      const oscillator = context.createOscillator();
      const volume = context.createGain();
      oscillator.frequency.value = hertz;
      oscillator.connect(volume).connect(context.destination);
      volume.gain.setValueAtTime(0.25, at);
      volume.gain.exponentialRampToValueAtTime(0.001, at + seconds);
      oscillator.start(at);
      oscillator.stop(at + seconds);
      at += seconds;
    }
  }
}
