import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { NOT_POSSIBLE } from '@tetrad/core';
import { Button } from '../../../kit/button';

export type NotPossibleReason = (typeof NOT_POSSIBLE)[number];
const WORDS: Readonly<Record<NotPossibleReason, string>> = {
  'did-not-crank': 'It did not crank',
  'did-not-start': 'It did not start',
  'no-access': 'No access',
  'no-equipment': 'No equipment',
  other: 'Another reason',
};

/** Why a reading cannot be taken. */
@Component({
  selector: 'tt-not-possible',
  imports: [Button],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (reason of REASONS; track reason.value) {
      <button pButton (click)="chosen.emit(reason.value)">{{ reason.label }}</button>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
  `,
  host: { role: 'group', 'aria-label': 'Why it is not possible' },
})
export class NotPossible {
  readonly chosen = output<NotPossibleReason>();
  protected readonly REASONS = NOT_POSSIBLE.map((value) => ({ value, label: WORDS[value] }));
}
