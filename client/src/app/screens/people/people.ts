import { DatePipe } from '@angular/common';
import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { NewPerson, PERMISSIONS, PERMISSION_NAMES, ROLES, may } from '@tetrad/contracts';
import type { OpenedPerson, PersonView, Role } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { TableModule } from 'primeng/table';
import { EMPTY } from 'rxjs';
import type { Observable } from 'rxjs';
import { Button } from '../../kit/button';
import { Check } from '../../kit/check';
import { CsvFiles } from '../../kit/csv-files';
import { Field } from '../../kit/field';
import { Fold } from '../../kit/fold';
import { bodyOf } from '../../kit/forms/body-form';
import { Message } from '../../kit/message';
import { Select } from '../../kit/select';
import { Coming } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { OwnSecretsForm } from '../../session/own-secrets-form';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { newId } from '../../device/new-id';
import { SessionActions, selectMay, selectSession, selectShop, selectWho } from '../../state/session/session.feature';
import { SessionsDialog } from './sessions-dialog';

/** One's own password and PIN, and for an administrator the people of the shop. */
@Component({
  selector: 'tt-people',
  imports: [
    Button,
    Check,
    Coming,
    DatePipe,
    Field,
    Fold,
    InputText,
    Message,
    OwnSecretsForm,
    ReactiveFormsModule,
    Select,
    SessionsDialog,
    TableModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './people.html',
  styleUrl: './people.css',
})
export class People {
  readonly #api = inject(Api);
  readonly #store = inject(Store);
  readonly #toasts = inject(Toasts);
  readonly #csv = inject(CsvFiles);
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #who = this.#store.selectSignal(selectWho);
  protected readonly session = this.#store.selectSignal(selectSession);
  protected readonly mayManage = this.#store.selectSignal(selectMay('manage-people'));

  readonly #people = rxResource({
    params: () => ({ shop: this.#shop(), who: this.#who() }),
    stream: ({ params: { shop } }) => (shop === null ? EMPTY : this.#api.listPeople(shop)),
  });
  protected readonly loading = this.#people.isLoading;
  protected readonly failed = computed(() => this.#people.error() !== undefined);
  /** A list of its own: the table sorts what it is given in place. */
  protected readonly rows = computed(() => (this.#people.hasValue() ? [...this.#people.value()] : []));
  protected readonly roles = ROLES.map((value) => ({ value, label: value }));
  protected readonly ROLES = ROLES;
  protected readonly permissions = PERMISSION_NAMES.map((name) => ({
    words: PERMISSIONS[name].words,
    who: ROLES.map((role) => may(role, name)),
  }));
  protected readonly problem = signal<string | null>(null);
  /** Shown once, and kept nowhere. */
  protected readonly opened = signal<OpenedPerson | null>(null);
  /** Whose sessions are looked at. */
  protected readonly shown = signal<{ readonly id: string; readonly name: string } | null>(null);
  protected readonly isPast = (time: string): boolean => Date.parse(time) < Date.now();
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true }),
    role: new FormControl<Role>('technician', { nonNullable: true }),
  });

  protected add(): void {
    const body = bodyOf(NewPerson, this.form, { id: newId(), ...this.form.getRawValue() });
    if (body) this.#do((shop) => this.#api.addPerson(shop, body), this.#show);
  }
  protected change({ id, name }: PersonView, change: { role?: Role; active?: boolean; email?: string }): void {
    this.#do(
      (shop) => this.#api.changePerson(shop, id, change),
      () =>
        this.#toasts.say(
          change.role || change.email !== undefined
            ? `${name}: ${change.role ?? (change.email || 'no address')}`
            : `${name}: ${change.active ? 'reactivated' : 'deactivated'}`,
        ),
    );
  }
  protected exportCsv(): void {
    const table = this.rows().map(({ id, name, role, active, email, hasPin }) => ({
      person: id,
      name,
      role,
      'works here': active ? 'yes' : 'no',
      'e-mail': email ?? '',
      PIN: hasPin ? 'set' : 'none',
    }));
    void this.#csv.save('people', table);
  }
  protected newPassword({ id }: PersonView): void {
    this.#do((shop) => this.#api.resetPassword(shop, id), this.#show);
  }
  protected endSessions(id: string): void {
    this.shown.set(null);
    this.#do(
      (shop) => this.#api.endSessions(shop, id),
      ({ ended }) => this.#toasts.say(ended === 1 ? 'One session ended' : `${ended} sessions ended`),
    );
  }
  protected forgetAtSignOut(forgetsAtSignOut: boolean): void {
    this.#do(
      (shop) => this.#api.changeSettings(shop, { forgetsAtSignOut }),
      () => this.#store.dispatch(SessionActions.load()),
    );
  }
  protected said(says: string): void {
    this.#toasts.say(says);
    this.#people.reload();
  }

  readonly #show = (person: OpenedPerson): void => {
    this.opened.set(person);
    this.form.reset();
  };

  #do<T>(ask: (shop: string) => Observable<T>, done: (answer: T) => void): void {
    const shop = this.#shop();
    if (shop === null) return;
    ask(shop).subscribe({
      next: (answer) => {
        this.problem.set(null);
        done(answer);
        this.#people.reload();
      },
      error: (failure: HttpErrorResponse) => {
        this.problem.set(problemOf(failure).detail);
        this.#people.reload();
      },
    });
  }
}
