import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { FocusFirst } from '../kit/focus-first';

/** Somebody's password, where their PIN is not enough or they have none. */
@Component({
  selector: 'tt-password-entry',
  imports: [Button, Field, FocusFirst, InputText, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form ttFocusFirst [formGroup]="form" (ngSubmit)="submit()">
      <tt-field label="Password" [hint]="hint()">
        <input pInputText type="password" formControlName="password" autocomplete="off" />
      </tt-field>
      <button pButton kind="main" type="submit" [disabled]="busy()">Switch user</button>
    </form>
  `,
  styles: `
    :host {
      justify-self: stretch;
    }
    form {
      display: grid;
      gap: 16px;
    }
    input {
      width: 100%;
      min-height: 44px;
    }
  `,
})
export class PasswordEntry {
  readonly busy = input(false);
  readonly hint = input('');
  readonly entered = output<string>();
  protected readonly form = new FormGroup({
    password: new FormControl('', { nonNullable: true }),
  });

  clear(): void {
    this.form.reset();
  }

  protected submit(): void {
    const { password } = this.form.getRawValue();
    if (password !== '' && !this.busy()) this.entered.emit(password);
  }
}
