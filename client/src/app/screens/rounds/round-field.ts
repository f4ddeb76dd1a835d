import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Grade } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Field } from '../../kit/field';
import { Figure } from '../../kit/forms/figure';
import { TextValue } from '../../kit/forms/text-value';
import { GradeMark } from '../../kit/grade-mark';

/** A figure of a check as it is typed, with its problem and the grade it would get. */
@Component({
  selector: 'tt-round-field',
  imports: [Field, Figure, GradeMark, InputText, TextValue],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-field [label]="label()" [error]="problem() ?? null">
      <input pInputText ttFigure [attr.data-field]="field()" [ttText]="value()" (typed)="typed.emit($event)" />
    </tt-field>
    @if (grade(); as graded) {
      <tt-grade [grade]="graded" [labelled]="true" />
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 8px;
      align-items: center;
    }
    input {
      font-size: var(--text-lg);
    }
    /* beside the entry, not beside its label */
    tt-grade {
      padding-top: 24px;
    }
  `,
})
export class RoundField {
  readonly label = input.required<string>();
  /** The name by which the keyboard finds it. */
  readonly field = input.required<string>();
  readonly value = input.required<string>();
  readonly problem = input<string | undefined>();
  readonly grade = input<Grade | undefined>();
  readonly typed = output<string>();
}
