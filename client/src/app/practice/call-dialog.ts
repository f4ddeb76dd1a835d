import { ChangeDetectionStrategy, Component, computed, output, signal } from '@angular/core';
import { MENDED_BY, PARTS, decisionWords } from '@tetrad/core';
import type { Part } from '@tetrad/core';
import type { PracticeCall } from '@tetrad/core/practice';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { FocusFirst } from '../kit/focus-first';
import { Select } from '../kit/select';

/** The decision: what is done, and to which part. */
@Component({
  selector: 'tt-call-dialog',
  imports: [Button, Dialog, FocusFirst, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog header="Call the part" (closed)="closed.emit()">
      <div class="rows">
        <tt-select
          ttFocusFirst
          label="Decision"
          placeholder="choose"
          [options]="calls"
          [value]="chosen()"
          (valueChange)="chosen.set($event)"
        />
        <p class="soft">It ends the visit: the readings so far are your proof.</p>
        <div class="kit-end">
          <button pButton (click)="closed.emit()">Cancel</button>
          <button pButton kind="main" [disabled]="call() === null" (click)="called.emit(call()!)">Call it</button>
        </div>
      </div>
    </tt-dialog>
  `,
  styles: `
    .rows {
      display: grid;
      gap: 16px;
      width: min(420px, calc(100vw - 72px));
    }
    p {
      margin: 0;
    }
  `,
})
export class CallDialog {
  readonly called = output<PracticeCall>();
  readonly closed = output();
  protected readonly chosen = signal<string | null>(null);
  readonly #byWords = new Map<string, PracticeCall>([
    ...PARTS.map((part: Part) => [part, { action: MENDED_BY[part], part }] as const),
    ['charge-first', { action: 'charge-first', part: null }],
    ['none-found', { action: 'none-found', part: null }],
  ]);
  protected readonly calls = [...this.#byWords].map(([value, call]) => ({
    value,
    label: decisionWords({ ...call, fault: null }),
  }));
  protected readonly call = computed(() => this.#byWords.get(this.chosen() ?? '') ?? null);
}
