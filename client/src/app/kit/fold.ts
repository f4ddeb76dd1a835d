import { ChangeDetectionStrategy, Component, effect, input, signal, untracked } from '@angular/core';
import { Button } from './button';
import { pageId } from './value-control';

/** What is not always needed, behind one line. What is typed into it stays when it is folded. */
@Component({
  selector: 'tt-fold',
  imports: [Button],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      pButton
      kind="bare"
      class="line"
      [attr.aria-expanded]="shown()"
      [attr.aria-controls]="id"
      (click)="shown.set(!shown())"
    >
      <span class="figure" aria-hidden="true">{{ shown() ? '−' : '+' }}</span> {{ says() }}
    </button>
    <div [id]="id" [hidden]="!shown()"><ng-content /></div>
  `,
  styles: `
    :host {
      display: block;
    }
    .line {
      justify-content: start;
      padding-left: 0;
    }
  `,
})
export class Fold {
  readonly says = input.required<string>();
  /** Opens it; a person may close it again. */
  readonly open = input(false);
  protected readonly shown = signal(false);
  protected readonly id = pageId('fold');

  constructor() {
    effect(() => {
      if (this.open()) untracked(() => this.shown.set(true));
    });
  }
}
