import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { Button } from './button';

/** A button that asks for a file of this device. */
@Component({
  selector: 'tt-file-button',
  imports: [Button],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label pButton [kind]="kind()">
      {{ label() }}
      <input #file class="sr-only" type="file" [accept]="accept()" [attr.capture]="capture()" (change)="take(file)" />
    </label>
  `,
  styles: `
    label {
      cursor: pointer;
    }
    label:focus-within {
      outline: 2px solid var(--copper);
      outline-offset: 2px;
    }
  `,
})
export class FileButton {
  readonly label = input.required<string>();
  readonly accept = input.required<string>();
  readonly kind = input<'plain' | 'bare'>('plain');
  /** The camera to take it with, on a phone. */
  readonly capture = input<string | null>(null);
  readonly chosen = output<File>();

  protected take(input: HTMLInputElement): void {
    const file = input.files?.[0];
    input.value = ''; // the same file may be chosen again
    if (file) this.chosen.emit(file);
  }
}
