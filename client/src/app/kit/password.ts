import { ChangeDetectionStrategy, Component, input, signal } from '@angular/core';
import type { FormControl } from '@angular/forms';
import { ReactiveFormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { Button } from './button';
import { Field } from './field';

/** A password to type, and a key that shows what was typed. */
@Component({
  selector: 'tt-password',
  imports: [Button, Field, InputText, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-field [label]="label()" [hint]="hint()">
      <input
        pInputText
        [type]="isShown() ? 'text' : 'password'"
        [formControl]="control()"
        [attr.autocomplete]="autocomplete()"
        autocapitalize="none"
        spellcheck="false"
      />
      <button
        beside
        pButton
        kind="bare"
        [attr.aria-pressed]="isShown()"
        [attr.aria-label]="(isShown() ? 'Hide' : 'Show') + ' what is typed'"
        (click)="isShown.set(!isShown())"
      >
        {{ isShown() ? 'Hide' : 'Show' }}
      </button>
    </tt-field>
  `,
  styles: `
    :host {
      position: relative;
      display: block;
    }
    input {
      width: 100%;
      min-height: 44px;
      padding-right: 88px;
    }
    button {
      position: absolute;
      right: 0;
      top: calc(var(--text-sm) * 1.5 + 4px);
    }
  `,
})
export class Password {
  readonly label = input.required<string>();
  readonly hint = input('');
  readonly control = input.required<FormControl<string>>();
  readonly autocomplete = input<'current-password' | 'new-password' | 'off'>('off');
  protected readonly isShown = signal(false);
}
