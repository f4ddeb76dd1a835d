import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { Theme } from '../device/theme';
import { Button } from '../kit/button';
import { Message } from '../kit/message';
import { OutboxActions } from '../outbox/outbox.actions';
import { selectKeepingFailed, selectRefused, selectTrouble, selectUnsent } from '../outbox/outbox.feature';
import { SessionActions, selectSession, selectSessionLoading } from '../state/session/session.feature';
import { bindKeys, isWriting } from '../kit/keys/bind-keys';
import { TypedAhead } from '../kit/keys/typed-ahead';
import { KeysSheet } from './keys-sheet';
import { NewVersion } from './new-version';
import { RefusedItem } from './refused-item';
import { ScreenLoading } from './screen-loading';
import { SettingsDialog } from './settings-dialog';
import { WhoDialog } from '../session/who-dialog';
import { ToastOutlet } from '../kit/toast-outlet';
import { NotLoaded } from '../kit/not-loaded';
import { Coming } from '../kit/states';

/** The frame around every screen: where you are, what is not stored yet, settings and keys. */
@Component({
  selector: 'tt-root',
  imports: [
    Coming,
    Button,
    KeysSheet,
    Message,
    NotLoaded,
    RefusedItem,
    RouterLink,
    RouterLinkActive,
    RouterOutlet,
    SettingsDialog,
    ToastOutlet,
    WhoDialog,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './app.html',
  styleUrl: './app.css',
})
export class App {
  readonly #store = inject(Store);
  readonly #router = inject(Router);
  readonly #theme = inject(Theme);
  protected readonly newVersion = inject(NewVersion);
  protected readonly screen = inject(ScreenLoading);

  protected readonly session = this.#store.selectSignal(selectSession);
  protected readonly sessionLoading = this.#store.selectSignal(selectSessionLoading);
  protected readonly unsent = this.#store.selectSignal(selectUnsent);
  protected readonly refused = this.#store.selectSignal(selectRefused);
  protected readonly trouble = this.#store.selectSignal(selectTrouble);
  protected readonly keepingFailed = this.#store.selectSignal(selectKeepingFailed);
  protected readonly keysShown = signal(false);
  protected readonly settingsShown = signal(false);
  protected readonly whoShown = signal(false);

  constructor() {
    inject(TypedAhead); // from the first key on
    this.#store.dispatch(SessionActions.load());
    this.#store.dispatch(OutboxActions.opened());
    bindKeys('Anywhere', {
      keys: (event) => {
        if (isWriting(event)) return false;
        this.keysShown.update((shown) => !shown);
      },
      floor: () => void this.#router.navigate(['/floor']),
      theme: () => this.#theme.toggle(),
      settings: () => this.settingsShown.set(true),
      who: () => {
        if (this.session() === null) return false;
        this.whoShown.set(true);
      },
    });
  }
}
