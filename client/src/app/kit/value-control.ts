import {
  DestroyRef,
  Directive,
  Injector,
  computed,
  effect,
  forwardRef,
  inject,
  input,
  model,
  signal,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { AfterViewInit } from '@angular/core';
import type { Type } from '@angular/core';
import type { ControlValueAccessor } from '@angular/forms';
import { FormControl, NG_VALUE_ACCESSOR, NgControl } from '@angular/forms';
import { watchProblem } from './forms/problem';

/** A choice as a form control, or with a plain `[(value)]`. */
@Directive()
export abstract class ValueControl<T> implements ControlValueAccessor, AfterViewInit {
  readonly #injector = inject(Injector);
  readonly #destroyed = inject(DestroyRef);
  readonly value = model<T | null>(null);
  /** What the library's own part is bound to: it shows the value, and tells what a person chose. */
  protected readonly inner = new FormControl<T | null>(null);
  /** What does not fit, once it was touched. */
  protected readonly problem = signal<string | null>(null);
  #changed: (value: T) => void = () => undefined;
  protected touched: () => void = () => undefined;

  constructor() {
    effect(() => this.inner.setValue(this.value(), { emitEvent: false }));
    this.inner.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => this.choose(value as T));
  }

  ngAfterViewInit(): void {
    // asked for late: the form's directive needs this part first, and finds its control after it
    const control = this.#injector.get(NgControl, null, { self: true, optional: true })?.control;
    if (control) this.#destroyed.onDestroy(watchProblem(control, (found) => this.problem.set(found)));
  }

  /** The person's choice. */
  protected choose(value: T): void {
    this.value.set(value);
    this.#changed(value);
  }
  writeValue(value: T | null): void {
    this.value.set(value);
  }
  registerOnChange(changed: (value: T) => void): void {
    this.#changed = changed;
  }
  registerOnTouched(touched: () => void): void {
    this.touched = touched;
  }
  setDisabledState(disabled: boolean): void {
    this.inner[disabled ? 'disable' : 'enable']({ emitEvent: false });
  }
}

/** A choice of one of several words. */
@Directive()
export abstract class ChoiceControl<T> extends ValueControl<T> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Option<T>[]>();
  /** A list of its own: the library writes into what it is given. */
  protected readonly list = computed(() => this.options().map((option) => ({ ...option })));
}

/** Makes a part a form control. */
export const asControl = (part: () => Type<unknown>) => ({
  provide: NG_VALUE_ACCESSOR,
  useExisting: forwardRef(part),
  multi: true,
});

/** One of several words. */
export interface Option<T = string> {
  readonly value: T;
  readonly label: string;
}

/** Sends the form of what Enter was pressed in, whether or not its button is drawn enabled yet. */
export function sendForm(event: Event): void {
  const form = (event.target as HTMLElement).closest('form');
  if (!form) return;
  event.preventDefault();
  form.requestSubmit();
}

let ids = 0;
/** An id of its own for a part of the page. */
export const pageId = (what: string): string => `${what}-${(ids += 1)}`;
