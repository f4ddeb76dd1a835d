import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { ValueControl, asControl, pageId, sendForm } from './value-control';
import type { Option } from './value-control';

/** Any of several words. */
@Component({
  selector: 'tt-check-list',
  imports: [Checkbox, FormsModule],
  providers: [asControl(() => CheckList)],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="kit-label" [id]="id">{{ label() }}</span>
    <div class="list" role="group" [attr.aria-labelledby]="id">
      @for (entry of entries(); track entry.value) {
        <span class="kit-check">
          <p-checkbox
            [ngModel]="entry.on"
            (ngModelChange)="toggle(entry.value)"
            [binary]="true"
            [inputId]="entry.id"
            [disabled]="disabled()"
          />
          <label [for]="entry.id">{{ entry.label }}</label>
        </span>
      }
    </div>
  `,
  styles: `
    .list {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(212px, 1fr));
      gap: 0 16px;
    }
  `,
  host: { class: 'kit-field', '(keydown.enter)': 'send($event)' },
})
export class CheckList<T extends string> extends ValueControl<readonly T[]> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Option<T>[]>();
  protected readonly id = pageId('list');
  protected readonly entries = computed(() =>
    this.options().map((option) => ({
      ...option,
      id: `${this.id}-${option.value}`,
      on: this.value()?.includes(option.value) ?? false,
    })),
  );

  protected readonly send = sendForm;

  protected toggle(entry: T): void {
    const before = this.value() ?? [];
    this.choose(before.includes(entry) ? before.filter((other) => other !== entry) : [...before, entry]);
  }
}
