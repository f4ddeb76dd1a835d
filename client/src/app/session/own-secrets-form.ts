import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, ElementRef, effect, inject, input, output, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { OwnSecrets, PIN_DIGITS } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { bodyOf, focusProblem } from '../kit/forms/body-form';
import { problem } from '../kit/forms/problem';
import { Message } from '../kit/message';
import { Password } from '../kit/password';
import { Api } from '../api/api';
import { problemOf } from '../api/loading';
import { SessionActions } from '../state/session/session.feature';

const text = (): FormControl<string> => new FormControl('', { nonNullable: true });

/** One's own password and PIN. */
@Component({
  selector: 'tt-own-secrets-form',
  imports: [Button, Field, InputText, Message, Password, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="submit()">
      @if (!isFirst()) {
        <tt-password label="Current password" [control]="form.controls.password" autocomplete="current-password" />
      }
      <tt-password
        [label]="isFirst() ? 'New password' : 'New password, if it is to change'"
        hint="12 characters or more"
        [control]="form.controls.newPassword"
        autocomplete="new-password"
      />
      <tt-password label="Repeat password" [control]="form.controls.again" autocomplete="new-password" />
      <tt-field [label]="'PIN, ' + DIGITS + ' digits'" hint="To take over a shared bench with gloves on">
        <input pInputText inputmode="numeric" [maxlength]="DIGITS" formControlName="pin" autocomplete="off" />
      </tt-field>
      @if (refused(); as why) {
        <tt-message>{{ why }}</tt-message>
      }
      <button pButton kind="main" type="submit">Save</button>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 16px;
      max-width: 400px;
    }
    input {
      width: 100%;
      min-height: 44px;
    }
  `,
})
export class OwnSecretsForm {
  readonly #api = inject(Api);
  readonly #store = inject(Store);
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly isFirst = input(false);
  /** The one-time password that was typed just now; it need not be typed twice. */
  readonly password = input('');
  readonly changed = output();
  protected readonly DIGITS = PIN_DIGITS;
  protected readonly form = new FormGroup({ password: text(), newPassword: text(), again: text(), pin: text() });
  protected readonly refused = signal<string | null>(null);

  constructor() {
    effect(() => this.form.controls.password.setValue(this.password()));
  }

  protected submit(): void {
    const { password, newPassword, again, pin } = this.form.getRawValue();
    const { newPassword: first, again: second } = this.form.controls;
    first.setErrors(this.isFirst() && newPassword === '' ? problem('Needed: a password of your own.') : null);
    second.setErrors(newPassword === again ? null : problem('This is not the same as above.'));
    const body = bodyOf(OwnSecrets, this.form, { password, ...(newPassword && { newPassword }), ...(pin && { pin }) });
    if (body === null) return focusProblem(this.#host);
    this.#api.changeOwnSecrets(body).subscribe({
      next: (session) => {
        this.refused.set(null);
        this.form.reset();
        this.#store.dispatch(SessionActions.known({ session }));
        this.changed.emit();
      },
      error: (failure: HttpErrorResponse) => this.refused.set(problemOf(failure).detail),
    });
  }
}
