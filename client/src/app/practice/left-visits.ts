import { Injectable } from '@angular/core';
import type { LeftVisit } from '@tetrad/core/practice';
import { storedObject } from '../device/stored-object';

const KEY = 'tetrad.practice-left.';

/** Exercises that were left before their call: each goes on where it was, also after the tab was closed. */
@Injectable({ providedIn: 'root' })
export class LeftVisits {
  of(exercise: string): LeftVisit | null {
    const found = storedObject(localStorage, KEY + exercise);
    // one that an earlier version left is begun anew
    return found !== null && 'bay' in found && 'takenOff' in (found as LeftVisit).bay ? (found as LeftVisit) : null;
  }
  keep(exercise: string, left: LeftVisit): void {
    localStorage.setItem(KEY + exercise, JSON.stringify(left));
  }
  drop(exercise: string): void {
    localStorage.removeItem(KEY + exercise);
  }
}
