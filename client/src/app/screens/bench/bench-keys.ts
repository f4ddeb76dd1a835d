import { inject } from '@angular/core';
import { bindKeys } from '../../kit/keys/bind-keys';
import { StepAtHand } from './step-at-hand';

/** What the bench does for keys that are not about the route. */
export interface BenchActs {
  readonly again: () => void;
  readonly undo: () => void;
  readonly accept: () => void;
  readonly count: () => void;
  readonly cannot: () => void;
  readonly wheel: () => void;
  readonly compare: () => void;
  readonly signOff: () => void;
  readonly report: () => void;
  readonly guide: () => void;
}

const OWN_ARROWS = '[role=combobox], [role=listbox], [role=radio], textarea';

/** The keys of the bench. Call it where injection is allowed. */
export function benchKeys(acts: BenchActs): void {
  const at = inject(StepAtHand);
  const move = (by: 1 | -1) => (event: KeyboardEvent) => {
    if ((event.target as Element).closest?.(OWN_ARROWS)) return false;
    at.move(by);
    return undefined;
  };
  bindKeys('Bench', { ...acts, next: () => at.onward(), down: move(1), up: move(-1) });
}
