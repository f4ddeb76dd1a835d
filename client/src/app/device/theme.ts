import { Injectable, signal } from '@angular/core';

export type ThemeName = 'light' | 'dark';
const KEY = 'tetrad.theme';

/** Light or dark: the device's wish until somebody chooses. */
@Injectable({ providedIn: 'root' })
export class Theme {
  readonly name = signal<ThemeName>(this.#first());

  constructor() {
    this.#apply();
  }

  choose(name: ThemeName): void {
    this.name.set(name);
    localStorage.setItem(KEY, name);
    this.#apply();
  }
  toggle(): void {
    this.choose(this.name() === 'light' ? 'dark' : 'light');
  }

  #first(): ThemeName {
    const kept = localStorage.getItem(KEY);
    if (kept === 'light' || kept === 'dark') return kept;
    return globalThis.matchMedia?.('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
  }

  #apply(): void {
    document.documentElement.classList.toggle('dark', this.name() === 'dark');
  }
}
