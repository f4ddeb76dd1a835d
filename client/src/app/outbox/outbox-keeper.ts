import { Injectable } from '@angular/core';
import { openDB } from 'idb';
import type { IDBPDatabase } from 'idb';
import type { OutboxItem } from './outbox-item';

const STORE = 'items';

/** Keeps the outbox on this device, so that a reload loses nothing. */
@Injectable({ providedIn: 'root' })
export class OutboxKeeper {
  #database: Promise<IDBPDatabase> | null = null;

  async all(): Promise<readonly OutboxItem[]> {
    return (await this.#open()).getAll(STORE) as Promise<OutboxItem[]>;
  }
  async keep(item: OutboxItem): Promise<void> {
    await (await this.#open()).put(STORE, item);
  }
  async drop(id: string): Promise<void> {
    await (await this.#open()).delete(STORE, id);
  }

  async dropHeld(job: string): Promise<void> {
    const held = (await this.all()).filter((item) => item.job === job && item.state === 'held');
    await Promise.all(held.map(({ id }) => this.drop(id)));
  }

  #open(): Promise<IDBPDatabase> {
    this.#database ??= openDB('tetrad-outbox', 1, {
      upgrade: (database) => void database.createObjectStore(STORE, { keyPath: 'id' }),
    });
    return this.#database;
  }
}
