import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Button } from '../kit/button';
import { FocusFirst } from '../kit/focus-first';
import { Password } from '../kit/password';

/** Somebody's password, where their PIN is not enough or they have none. */
@Component({
  selector: 'tt-password-entry',
  imports: [Button, FocusFirst, Password, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form ttFocusFirst [formGroup]="form" (ngSubmit)="submit()">
      <tt-password label="Password" [hint]="hint()" [control]="form.controls.password" />
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
