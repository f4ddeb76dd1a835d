import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { OutboxActions } from '../state/outbox/outbox.actions';
import { selectOutbox, selectRefused, selectTrouble, selectUnsent } from '../state/outbox/outbox.reducer';
import { ShopActions, selectShop, selectShopLoading, selectShops, selectWho } from '../state/shop/shop.reducer';
import { Theme } from '../theme/theme';
import { KeysSheet } from './keys-sheet';
import { SettingsDialog } from './settings-dialog';

/** The frame around every screen: where you are, which shop, what is not stored yet, the keys. */
@Component({
  selector: 'tt-root',
  imports: [RouterOutlet, RouterLink, RouterLinkActive, KeysSheet, SettingsDialog],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './app.html',
  styleUrl: './app.css',
  host: { '(document:keydown)': 'onKey($event)' },
})
export class App {
  readonly #store = inject(Store);
  readonly #router = inject(Router);
  protected readonly theme = inject(Theme);

  protected readonly shops = this.#store.selectSignal(selectShops);
  protected readonly shop = this.#store.selectSignal(selectShop);
  protected readonly shopLoading = this.#store.selectSignal(selectShopLoading);
  protected readonly who = this.#store.selectSignal(selectWho);
  protected readonly unsent = this.#store.selectSignal(selectUnsent);
  protected readonly refused = this.#store.selectSignal(selectRefused);
  protected readonly trouble = this.#store.selectSignal(selectTrouble);
  protected readonly keepingFailed = computed(() => this.#store.selectSignal(selectOutbox)().keepingFailed);
  protected readonly keysShown = signal(false);
  protected readonly settingsShown = signal(false);

  constructor() {
    this.#store.dispatch(ShopActions.load());
    this.#store.dispatch(OutboxActions.opened());
  }

  protected choose(id: string): void {
    this.#store.dispatch(ShopActions.chosen({ id }));
    void this.#router.navigate(['/floor']);
  }

  protected named(who: string): void {
    this.#store.dispatch(ShopActions.named({ who: who.trim() }));
  }

  protected discard(id: string): void {
    this.#store.dispatch(OutboxActions.discarded({ id }));
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.key === '?' && !isWriting(event)) {
      event.preventDefault();
      this.keysShown.update((shown) => !shown);
    } else if (event.altKey && event.code === 'KeyF') {
      event.preventDefault();
      void this.#router.navigate(['/floor']);
    } else if (event.altKey && event.code === 'KeyT') {
      event.preventDefault();
      this.theme.toggle();
    }
  }
}

/** A question mark belongs to the text in fields for free text, and to the keys everywhere else. */
const isWriting = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && target.type === 'text' && !target.classList.contains('reading'));
