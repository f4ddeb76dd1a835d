import { signal } from '@angular/core';
import type { Signal } from '@angular/core';
import { storedObject } from './stored-object';

export interface KeptRecord<K extends string, T> {
  readonly all: Signal<Readonly<Partial<Record<K, T>>>>;
  /** @param value Null takes it away. */
  set(name: K, value: T | null): void;
}

/** What this device keeps by name, over a reload. */
export function keptRecord<K extends string, T>(key: string): KeptRecord<K, T> {
  const all = signal((storedObject(localStorage, key) ?? {}) as Readonly<Partial<Record<K, T>>>);
  return {
    all: all.asReadonly(),
    set(name, value) {
      all.update(
        ({ [name]: _before, ...others }) =>
          (value === null ? others : { ...others, [name]: value }) as Partial<Record<K, T>>,
      );
      localStorage.setItem(key, JSON.stringify(all()));
    },
  };
}
