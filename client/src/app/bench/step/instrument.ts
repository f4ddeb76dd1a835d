import { Injectable, signal } from '@angular/core';

/** What is read with, for one unit: its name and how far it may be wrong. */
export interface Instrument {
  readonly name: string;
  /** One figure in the unit of the reading; null where nobody knows. */
  readonly uncertainty: number | null;
}

const KEY = 'tetrad.instruments';
const NONE: Instrument = { name: '', uncertainty: null };

/** The instruments of this device, by the unit they read; kept over a reload. */
@Injectable({ providedIn: 'root' })
export class Instruments {
  readonly #byUnit = signal<Readonly<Record<string, Instrument>>>(kept());

  of(unit: string): Instrument {
    return this.#byUnit()[unit] ?? NONE;
  }

  set(unit: string, change: Partial<Instrument>): void {
    this.#byUnit.update((before) => ({ ...before, [unit]: { ...(before[unit] ?? NONE), ...change } }));
    localStorage.setItem(KEY, JSON.stringify(this.#byUnit()));
  }
}

function kept(): Readonly<Record<string, Instrument>> {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, Instrument>;
  } catch {
    return {};
  }
}
