import { Injectable, signal } from '@angular/core';
import type { TestUnit } from '@tetrad/core';

const KEY = 'tetrad.read-with';

/** Which of the shop's instruments reads which unit at this device. */
@Injectable({ providedIn: 'root' })
export class Chosen {
  readonly #byUnit = signal<Readonly<Partial<Record<TestUnit, string>>>>(kept());

  of(unit: TestUnit): string | null {
    return this.#byUnit()[unit] ?? null;
  }
  choose(unit: TestUnit, id: string | null): void {
    this.#byUnit.update(({ [unit]: _before, ...others }) => (id === null ? others : { ...others, [unit]: id }));
    localStorage.setItem(KEY, JSON.stringify(this.#byUnit()));
  }
}

function kept(): Readonly<Partial<Record<TestUnit, string>>> {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(KEY) ?? '{}');
    return typeof found === 'object' && found !== null ? found : {};
  } catch {
    return {};
  }
}
