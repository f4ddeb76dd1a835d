import { signal } from '@angular/core';
import type { Signal } from '@angular/core';
import { storedObject } from './stored-object';

/** What a choice may hold, field by field; the first is the usual one. */
export type Allowed<T> = { readonly [K in keyof T]: readonly [T[K], ...T[K][]] };

export interface KeptChoice<T> {
  readonly value: Signal<T>;
  set(change: Partial<T>): void;
}

/** Choices of this device, kept over a reload; anything kept that is no choice is passed over. */
export function keptChoice<T extends object>(key: string, allowed: Allowed<T>): KeptChoice<T> {
  const fields = Object.keys(allowed) as (keyof T)[];
  const kept: Partial<T> = storedObject(localStorage, key) ?? {};
  const first = Object.fromEntries(
    fields.map((field) => {
      const found = kept[field];
      return [field, allowed[field].some((one) => one === found) ? found : allowed[field][0]];
    }),
  ) as T;
  const value = signal(first);
  return {
    value: value.asReadonly(),
    set(change) {
      value.update((before) => ({ ...before, ...change }));
      localStorage.setItem(key, JSON.stringify(value()));
    },
  };
}
