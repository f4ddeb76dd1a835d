import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { selectShop } from '../shop/shop.reducer';
import { queued } from './outbox-item';
import type { OutboxDraft } from './outbox-item';
import { OutboxActions } from './outbox.actions';

/** Where screens hand over what is entered for a job; before a shop is known nothing can be entered. */
@Injectable({ providedIn: 'root' })
export class Entries {
  readonly #store = inject(Store);
  readonly #shop = this.#store.selectSignal(selectShop);

  queue(draft: (shop: string) => OutboxDraft): void {
    const shop = this.#shop();
    if (shop !== null) this.#store.dispatch(OutboxActions.queued({ item: queued(draft(shop)) }));
  }
}
