import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { Button } from '../kit/button';
import { Message } from '../kit/message';
import { OutboxActions } from '../outbox/outbox.actions';
import type { OutboxItem } from '../outbox/outbox-item';
import { conflictOf } from '../outbox/conflict';

/** Something the server refused: its words, and the ways on. Where another device was first, both ways are open. */
@Component({
  selector: 'tt-refused-item',
  imports: [Button, Message, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-message>
      @if (conflict(); as other) {
        <span class="says">
          <strong>Changed on another device meanwhile.</strong> Yours: {{ other.fields.join(', ') }}.
          <a [routerLink]="['/jobs', item().job]">Open the job</a>
        </span>
        <button pButton (click)="keepMine(other.version)">Keep mine</button>
        <button pButton kind="bare" (click)="discard()">Take theirs</button>
      } @else {
        <span class="says">
          <strong>Not stored.</strong> {{ item().problem?.detail }}
          <a [routerLink]="['/jobs', item().job]">Open the job</a>
        </span>
        <button pButton (click)="discard()">Discard</button>
      }
    </tt-message>
  `,
  styles: `
    .says {
      flex: 1;
    }
  `,
})
export class RefusedItem {
  readonly #store = inject(Store);
  readonly item = input.required<OutboxItem>();
  protected readonly conflict = () => conflictOf(this.item());

  protected discard(): void {
    this.#store.dispatch(OutboxActions.discarded({ id: this.item().id }));
  }
  protected keepMine(version: number): void {
    const item = this.item();
    if (item.kind !== 'changes') return;
    const changes = { body: { ...item.body, version } } as Partial<OutboxItem>;
    this.#store.dispatch(OutboxActions.retried({ id: item.id, changes }));
  }
}
