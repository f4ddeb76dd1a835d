import { DatePipe } from '@angular/common';
import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { KEY_ROLES, NewApiKey } from '@tetrad/contracts';
import type { ApiKeyView, KeyRole, NewApiKeyView } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { TableModule } from 'primeng/table';
import { Button } from '../../kit/button';
import { Field } from '../../kit/field';
import { bodyOf } from '../../kit/forms/body-form';
import { countOf } from '../../kit/forms/count';
import { Figure } from '../../kit/forms/figure';
import { Message } from '../../kit/message';
import { Select } from '../../kit/select';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { newId } from '../../device/new-id';
import { selectShop } from '../../state/session/session.feature';

const USUAL_DAYS = '365';

/** Keys of the shop's own programs: made, shown once, revoked. */
@Component({
  selector: 'tt-api-keys',
  imports: [Button, DatePipe, Field, Figure, InputText, Message, ReactiveFormsModule, Select, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>API keys</h2>
    @if (made(); as key) {
      <tt-message kind="note">
        The key “{{ key.name }}”: <strong class="figure once">{{ key.key }}</strong> It is shown this once.
        <button pButton (click)="copy(key.key)">Copy</button>
        <button pButton kind="bare" (click)="made.set(null)">I have noted it</button>
      </tt-message>
    }
    @if (problem(); as text) {
      <tt-message>{{ text }} <button pButton kind="bare" (click)="problem.set(null)">Close</button></tt-message>
    }
    @if (rows().length > 0) {
      <p-table [value]="rows()" dataKey="id">
        <ng-template #header>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Role</th>
            <th scope="col">Good until</th>
            <th scope="col" class="kit-wide">Made by</th>
            <th scope="col" class="kit-wide">Last used</th>
            <th scope="col"><span class="sr-only">What to do</span></th>
          </tr>
        </ng-template>
        <ng-template #body let-key>
          <tr [class.soft]="key.state !== null">
            <td>{{ key.name }}</td>
            <td>{{ key.role }}</td>
            <td>{{ key.state ?? (key.expiresAt | date: 'd MMM y') }}</td>
            <td class="kit-wide">{{ key.createdBy }}</td>
            <td class="kit-wide">{{ key.usedAt ? (key.usedAt | date: 'd MMM y, HH:mm') : 'never' }}</td>
            <td>
              @if (key.state === null) {
                <button pButton kind="bare" (click)="revoke(key)">Revoke</button>
              }
            </td>
          </tr>
        </ng-template>
      </p-table>
    }
    <form [formGroup]="form" (ngSubmit)="add()">
      <tt-field label="Name of the program"><input pInputText maxlength="80" formControlName="name" /></tt-field>
      <tt-select label="Role" formControlName="role" [options]="roles" />
      <tt-field label="Good for, days"><input pInputText ttFigure formControlName="days" /></tt-field>
      <button pButton type="submit">Create key</button>
    </form>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 12px;
    }
    h2 {
      margin: 0;
    }
    form {
      display: grid;
      grid-template-columns: minmax(200px, 2fr) minmax(140px, 1fr) minmax(120px, 1fr) auto;
      gap: 12px 16px;
      align-items: end;
      max-width: 860px;
    }
    .once {
      overflow-wrap: anywhere;
      user-select: all;
    }
    @media (max-width: 768px) {
      form {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class ApiKeys {
  readonly #api = inject(Api);
  readonly #shop = inject(Store).selectSignal(selectShop);
  protected readonly roles = KEY_ROLES.map((value) => ({ value, label: value }));
  protected readonly problem = signal<string | null>(null);
  /** Shown once, and kept nowhere. */
  protected readonly made = signal<NewApiKeyView | null>(null);
  readonly #found = rxResource({
    params: () => {
      const shop = this.#shop();
      return shop === null ? undefined : { shop };
    },
    stream: ({ params: { shop } }) => this.#api.listApiKeys(shop),
  });
  protected readonly rows = computed(() =>
    (this.#found.hasValue() ? this.#found.value() : []).map((key) => ({ ...key, state: stateOf(key) })),
  );
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true }),
    role: new FormControl<KeyRole>('technician', { nonNullable: true }),
    days: new FormControl(USUAL_DAYS, { nonNullable: true }),
  });

  protected add(): void {
    const { name, role, days } = this.form.getRawValue();
    const body = bodyOf(NewApiKey, this.form, { id: newId(), name: name.trim(), role, days: countOf(days) ?? '' });
    const shop = this.#shop();
    if (!body || shop === null) return;
    this.#api.createApiKey(shop, body).subscribe({
      next: (key) => {
        this.made.set(key);
        this.form.reset();
        this.#found.reload();
      },
      error: this.#refused,
    });
  }
  protected revoke({ id }: ApiKeyView): void {
    const shop = this.#shop();
    if (shop === null) return;
    this.#api.revokeApiKey(shop, id).subscribe({
      next: () => this.#found.reload(),
      error: this.#refused,
    });
  }
  protected copy(text: string): void {
    void navigator.clipboard?.writeText(text);
  }

  readonly #refused = (failure: HttpErrorResponse): void => this.problem.set(problemOf(failure).detail);
}

function stateOf({ revokedAt, expiresAt }: ApiKeyView): string | null {
  if (revokedAt !== null) return 'revoked';
  return Date.parse(expiresAt) <= Date.now() ? 'expired' : null;
}
