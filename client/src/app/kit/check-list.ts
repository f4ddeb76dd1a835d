import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, signal } from '@angular/core';
import { Check } from './check';
import { ValueControl, asControl, pageId } from './value-control';
import type { Option } from './value-control';

/** Every entry has a key of its own while the list has the focus. */
const KEYS = '123456789abcdefghijklmnop';
const STEPS: Readonly<Record<string, number>> = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 };

/** Any of several words. */
@Component({
  selector: 'tt-check-list',
  imports: [Check],
  providers: [asControl(() => CheckList)],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="kit-label" [id]="id">{{ label() }}</span>
    <div class="list" role="group" [attr.aria-labelledby]="id" (keydown)="press($event)">
      @for (entry of entries(); track entry.value; let i = $index) {
        <tt-check
          [value]="entry.on"
          [tabindex]="i === stop() ? 0 : -1"
          (focusin)="stop.set(i)"
          (valueChange)="toggle(entry.value)"
          ><span class="key figure" [attr.data-key]="entry.key"></span>{{ entry.label }}</tt-check
        >
      }
    </div>
  `,
  styles: `
    .list {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(212px, 1fr));
      gap: 0 16px;
    }
    .key::before {
      content: attr(data-key); /* drawn, and no part of the entry's name */
    }
    .key {
      display: inline-block;
      min-width: 1.6ch;
      font-size: var(--text-sm);
      color: var(--ink-soft);
    }
  `,
  host: { class: 'kit-field' },
})
export class CheckList<T extends string> extends ValueControl<readonly T[]> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Option<T>[]>();
  protected readonly id = pageId('list');
  protected readonly entries = computed(() =>
    this.options().map((option, i) => ({
      ...option,
      on: this.value()?.includes(option.value) ?? false,
      key: KEYS[i] ?? '',
    })),
  );
  /** The one that has the Tab key’s stop: the list is one stop, its arrows and keys lead on. */
  protected readonly stop = signal(0);
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  /** An entry’s own key sets it; arrows go from one to the next. */
  protected press(event: KeyboardEvent): void {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const entries = this.entries();
    const named = entries.findIndex(({ key }) => key !== '' && key === event.key.toLowerCase());
    const step = STEPS[event.key];
    if (named < 0 && step === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const at = named >= 0 ? named : (this.stop() + step! + entries.length) % entries.length;
    this.stop.set(at);
    this.#host.querySelectorAll<HTMLInputElement>('input[type=checkbox]')[at]?.focus();
    if (named >= 0) this.toggle(entries[named]!.value);
  }

  protected toggle(entry: T): void {
    const before = this.value() ?? [];
    this.choose(before.includes(entry) ? before.filter((other) => other !== entry) : [...before, entry]);
  }
}
