import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { CONDITIONS } from '@tetrad/core';
import type { ReadingStep } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Check } from '../../../kit/check';
import { Field } from '../../../kit/field';
import { Figure } from '../../../kit/forms/figure';
import { Segmented } from '../../../kit/segmented';
import { EntryFields } from './entry-fields';
import { askedNow } from './reading-form';
import type { ReadingForm } from './reading-form';

/** The conditions that a reading is taken under, each by its own kind of field. */
@Component({
  selector: 'tt-entry-conditions',
  imports: [Check, Field, Figure, InputText, ReactiveFormsModule, Segmented],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (asks().length > 0) {
      <div class="conditions" [formGroup]="form().controls.conditions">
        @for (ask of asks(); track step().test + ask.name) {
          @switch (ask.type) {
            @case ('flag') {
              <tt-check [formControlName]="ask.name">{{ ask.label }}</tt-check>
            }
            @case ('word') {
              <tt-segmented [label]="ask.label" [formControlName]="ask.name" [options]="ask.options" />
            }
            @case ('text') {
              <tt-field [label]="ask.label">
                <input pInputText autocomplete="off" maxlength="40" [formControlName]="ask.name" />
              </tt-field>
            }
            @default {
              <tt-field class="number" [label]="ask.label" [unit]="ask.unit">
                <input pInputText ttFigure [formControlName]="ask.name" />
              </tt-field>
            }
          }
        }
      </div>
    }
  `,
  styles: `
    .conditions {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 4px 16px;
    }
    .number {
      width: 116px;
    }
  `,
})
export class EntryConditions {
  readonly step = input.required<ReadingStep>();
  readonly form = input.required<ReadingForm>();
  readonly #fields = inject(EntryFields);
  protected readonly asks = computed(() =>
    askedNow(this.step(), this.#fields.typed().conditions).map((name) => {
      const row = CONDITIONS[name];
      const words: readonly string[] = row.type === 'word' ? (this.step().offers?.[name] ?? row.words) : [];
      const options = words.map((value) => ({ value, label: value }));
      return { name, label: row.name, type: row.type, unit: row.type === 'number' ? row.unit : '', options };
    }),
  );
}
