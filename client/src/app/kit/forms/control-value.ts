import { computed, effect, signal } from '@angular/core';
import type { Signal } from '@angular/core';
import type { AbstractControl } from '@angular/forms';

/** A form's value as a signal; it also tells when the form is touched or sent. Call it where injection is allowed. */
export function controlValue<T>(control: () => AbstractControl<unknown, T>): Signal<T> {
  const changes = signal(0);
  effect((onCleanup) => {
    const told = control().events.subscribe(() => changes.update((count) => count + 1));
    onCleanup(() => told.unsubscribe());
  });
  return computed(
    () => {
      changes();
      return control().getRawValue();
    },
    { equal: () => false },
  );
}
