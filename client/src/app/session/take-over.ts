import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal, viewChild } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { may } from '@tetrad/contracts/light';
import type { PermissionName, PersonView } from '@tetrad/contracts';
import { EMPTY } from 'rxjs';
import { Button } from '../kit/button';
import { Message } from '../kit/message';
import { Coming } from '../kit/states';
import { Api } from '../api/api';
import { problemOf } from '../api/loading';
import { SessionActions, selectSession, selectShop } from '../state/session/session.feature';
import { PasswordEntry } from './password-entry';
import { PinPad } from './pin-pad';

/** Another person takes this device over: one press and a PIN, or the password where a PIN is not enough. */
@Component({
  selector: 'tt-take-over',
  imports: [Button, Coming, Message, PasswordEntry, PinPad],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './take-over.html',
  styleUrl: './take-over.css',
})
export class TakeOver {
  readonly #api = inject(Api);
  readonly #store = inject(Store);
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #session = this.#store.selectSignal(selectSession);
  /** What whoever takes over must be allowed to do; null for anybody. */
  readonly permission = input<PermissionName | null>(null);
  readonly taken = output();
  protected readonly pad = viewChild(PinPad);
  protected readonly entry = viewChild(PasswordEntry);

  readonly #people = rxResource({
    params: () => this.#shop(),
    stream: ({ params: shop }) =>
      shop === null || this.#session()?.kind === 'phone' ? EMPTY : this.#api.listPeople(shop),
  });
  protected readonly loading = this.#people.isLoading;
  protected readonly failed = computed(() => this.#people.error() !== undefined);
  /** Who may take over: everybody but who is here already. */
  protected readonly others = computed(() => {
    const permission = this.permission();
    return (this.#people.hasValue() ? this.#people.value() : []).filter(
      ({ id, active, role }) =>
        active && id !== this.#session()?.person.id && (permission === null || may(role, permission)),
    );
  });
  protected readonly chosen = signal<PersonView | null>(null);
  /** Why the chosen person takes over with the password; null where a PIN is enough. */
  protected readonly needsPassword = computed((): string | null => {
    const person = this.chosen();
    if (!person) return null;
    if (!(this.#session()?.rolesByPin ?? []).includes(person.role))
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
    this.#api.switchUser({ person: person.id, ...secret }).subscribe({
      next: (session) => {
        this.#store.dispatch(SessionActions.known({ session }));
        this.taken.emit();
      },
      error: (failure: HttpErrorResponse) => {
        this.busy.set(false);
        this.refused.set(problemOf(failure).detail);
        this.#clear();
      },
    });
  }
}
