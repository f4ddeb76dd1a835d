import { ChangeDetectionStrategy, Component, inject, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { SessionActions, selectMay, selectSession } from '../state/session/session.feature';
import { TakeOver } from './take-over';

/** Who works at this bench: another takes over, or signs out. */
@Component({
  selector: 'tt-who-dialog',
  imports: [Button, Dialog, RouterLink, TakeOver],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './who-dialog.html',
  styleUrl: './who-dialog.css',
})
export class WhoDialog {
  readonly #store = inject(Store);
  readonly closed = output();
  protected readonly session = this.#store.selectSignal(selectSession);
  protected readonly mayManage = this.#store.selectSignal(selectMay('manage-people'));
  protected readonly mayReadActs = this.#store.selectSignal(selectMay('read-acts'));

  protected demoShop(shop: string): void {
    this.#store.dispatch(SessionActions.demoShopChosen({ shop }));
    this.closed.emit();
  }
  protected signOut(): void {
    this.#store.dispatch(SessionActions.signOut());
    this.closed.emit();
  }
}
