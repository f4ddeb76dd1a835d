import { Injectable, signal } from '@angular/core';
import type { TestUnit } from '@tetrad/core';
import { storedObject } from '../device/stored-object';

const KEY = 'tetrad.read-with';

/** Which of the shop's instruments reads which unit at this device. */
@Injectable({ providedIn: 'root' })
export class Chosen {
  readonly #byUnit = signal<Readonly<Partial<Record<TestUnit, string>>>>(storedObject(localStorage, KEY) ?? {});

  of(unit: TestUnit): string | null {
    return this.#byUnit()[unit] ?? null;
  }
  choose(unit: TestUnit, id: string | null): void {
    this.#byUnit.update(({ [unit]: _before, ...others }) => (id === null ? others : { ...others, [unit]: id }));
    localStorage.setItem(KEY, JSON.stringify(this.#byUnit()));
  }
}
