import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, output, signal, viewChild } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { PersonView } from '@tetrad/contracts';
import { EMPTY } from 'rxjs';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { Message } from '../kit/message';
import { Coming } from '../kit/states';
import { Api } from '../state/api';
import { problemOf } from '../state/loading';
import { SessionActions, selectMay, selectSession, selectShop } from '../state/session/session.feature';
import { PasswordEntry } from './password-entry';
import { PinPad } from './pin-pad';

/** Who works at this bench: another takes over with one press and a PIN, or with the password where a PIN is not enough. */
@Component({
  selector: 'tt-who-dialog',
  imports: [Button, Coming, Dialog, Message, PasswordEntry, PinPad, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './who-dialog.html',
  styleUrl: './who-dialog.css',
})
export class WhoDialog {
  readonly #api = inject(Api);
  readonly #store = inject(Store);
  readonly closed = output();
  readonly #shop = this.#store.selectSignal(selectShop);
  protected readonly session = this.#store.selectSignal(selectSession);
  protected readonly mayReadActs = this.#store.selectSignal(selectMay('read-acts'));
  protected readonly pad = viewChild(PinPad);
  protected readonly entry = viewChild(PasswordEntry);

  readonly #people = rxResource({
    params: () => this.#shop(),
    stream: ({ params: shop }) => (shop === null || this.session()?.kind === 'phone' ? EMPTY : this.#api.people(shop)),
  });
  protected readonly loading = this.#people.isLoading;
  protected readonly failed = computed(() => this.#people.error() !== undefined);
  /** Who may take over: everybody but who is here already. */
  protected readonly others = computed(() =>
    (this.#people.hasValue() ? this.#people.value() : []).filter(
      ({ id, active }) => active && id !== this.session()?.person.id,
    ),
  );
  protected readonly chosen = signal<PersonView | null>(null);
  /** Why the chosen person takes over with the password; null where a PIN is enough. */
  protected readonly needsPassword = computed((): string | null => {
    const person = this.chosen();
    if (!person) return null;
    if (!(this.session()?.rolesByPin ?? []).includes(person.role))
      return `A PIN is not enough: this device was signed in by somebody with fewer rights.`;
    return person.hasPin ? null : `${person.name} has no PIN yet.`;
  });
  protected readonly refused = signal<string | null>(null);
  protected readonly busy = signal(false);

  protected choose(person: PersonView): void {
    this.chosen.set(person);
    this.refused.set(null);
    this.#clear();
  }
  #clear(): void {
    this.pad()?.clear();
    this.entry()?.clear();
  }

  protected takeOver(secret: { pin: string } | { password: string }): void {
    const person = this.chosen();
    if (!person) return;
    this.busy.set(true);
    this.#api.changeOver({ person: person.id, ...secret }).subscribe({
      next: (session) => {
        this.#store.dispatch(SessionActions.known({ session }));
        this.closed.emit();
      },
      error: (failure: HttpErrorResponse) => {
        this.busy.set(false);
        this.refused.set(problemOf(failure).detail);
        this.#clear();
      },
    });
  }

  protected demoShop(shop: string): void {
    this.#store.dispatch(SessionActions.demoShopChosen({ shop }));
    this.closed.emit();
  }
  protected signOut(): void {
    this.#store.dispatch(SessionActions.signOut());
    this.closed.emit();
  }
}
