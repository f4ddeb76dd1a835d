import { Injectable } from '@angular/core';
import { openDB } from 'idb';
import type { IDBPDatabase } from 'idb';

const STORE = 'kept';

/**
 * What the server told last, kept on this device: the page opens without the network and shows it. Nothing here
 * is entered by anybody, so a browser that cannot keep it loses nothing.
 */
@Injectable({ providedIn: 'root' })
export class Kept {
  #database: Promise<IDBPDatabase> | null = null;

  async get<T>(key: string): Promise<T | undefined> {
    try {
      return (await (await this.#open()).get(STORE, key)) as T | undefined;
    } catch {
      return undefined;
    }
  }

  async put(key: string, value: unknown): Promise<void> {
    try {
      await (await this.#open()).put(STORE, value, key);
    } catch {
      // a private window, or a full disk: the next visit asks the server
    }
  }

  /** Removes all of it. */
  async clear(): Promise<void> {
    try {
      await (await this.#open()).clear(STORE);
    } catch {
      // nothing could be kept here either
    }
  }

  #open(): Promise<IDBPDatabase> {
    this.#database ??= openDB('tetrad-kept', 1, {
      upgrade: (database) => void database.createObjectStore(STORE),
    });
    return this.#database;
  }
}
