import { Injectable } from '@angular/core';
import type { TestUnit } from '@tetrad/core';
import { keptRecord } from '../device/kept-record';

const KEY = 'tetrad.read-with';

/** Which of the shop's instruments reads which unit at this device. */
@Injectable({ providedIn: 'root' })
export class Chosen {
  readonly #byUnit = keptRecord<TestUnit, string>(KEY);

  of(unit: TestUnit): string | null {
    return this.#byUnit.all()[unit] ?? null;
  }
  choose(unit: TestUnit, id: string | null): void {
    this.#byUnit.set(unit, id);
  }
}
