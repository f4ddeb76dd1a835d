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
import { PinPad } from './pin-pad';

/** Who works at this bench: another takes over with one press and a PIN. */
@Component({
  selector: 'tt-who-dialog',
  imports: [Button, Coming, Dialog, Message, PinPad, RouterLink],
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

  readonly #people = rxResource({
    params: () => this.#shop(),
    stream: ({ params: shop }) => (shop === null || this.session()?.kind === 'phone' ? EMPTY : this.#api.people(shop)),
  });
  protected readonly loading = this.#people.isLoading;
  protected readonly failed = computed(() => this.#people.error() !== undefined);
  /** Who may take over: those with a PIN, and not who is here already. */
  protected readonly others = computed(() =>
    (this.#people.hasValue() ? this.#people.value() : []).filter(
      ({ id, active, hasPin }) => active && hasPin && id !== this.session()?.person.id,
    ),
  );
  protected readonly chosen = signal<PersonView | null>(null);
  protected readonly refused = signal<string | null>(null);
  protected readonly busy = signal(false);

  protected choose(person: PersonView): void {
    this.chosen.set(person);
    this.refused.set(null);
    this.pad()?.clear();
  }

  protected takeOver(pin: string): void {
    const person = this.chosen();
    if (!person) return;
    this.busy.set(true);
    this.#api.changeOver({ person: person.id, pin }).subscribe({
      next: (session) => {
        this.#store.dispatch(SessionActions.known({ session }));
        this.closed.emit();
      },
      error: (failure: HttpErrorResponse) => {
        this.busy.set(false);
        this.refused.set(problemOf(failure).detail);
        this.pad()?.clear();
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
