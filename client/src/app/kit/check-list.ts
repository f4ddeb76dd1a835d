import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { Check } from './check';
import { ValueControl, asControl, pageId } from './value-control';
import type { Option } from './value-control';

/** Any of several words. */
@Component({
  selector: 'tt-check-list',
  imports: [Check],
  providers: [asControl(() => CheckList)],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="kit-label" [id]="id">{{ label() }}</span>
    <div class="list" role="group" [attr.aria-labelledby]="id">
      @for (entry of entries(); track entry.value) {
        <tt-check [value]="entry.on" (valueChange)="toggle(entry.value)">{{ entry.label }}</tt-check>
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
  host: { class: 'kit-field' },
})
export class CheckList<T extends string> extends ValueControl<readonly T[]> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Option<T>[]>();
  protected readonly id = pageId('list');
  protected readonly entries = computed(() =>
    this.options().map((option) => ({ ...option, on: this.value()?.includes(option.value) ?? false })),
  );

  protected toggle(entry: T): void {
    const before = this.value() ?? [];
    this.choose(before.includes(entry) ? before.filter((other) => other !== entry) : [...before, entry]);
  }
}
