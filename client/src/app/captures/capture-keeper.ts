import { Injectable } from '@angular/core';
import { openDB } from 'idb';
import type { IDBPDatabase } from 'idb';
import type { Capture } from '@tetrad/core/capture-format';

/** A recorded file that the server does not have whole yet. */
export interface KeptCapture {
  readonly id: string;
  readonly shop: string;
  readonly job: string;
  readonly name: string;
  readonly file: Blob;
  /** Null until it has been taken apart. */
  readonly found: Capture | null;
}

const STORE = 'files';

/** Keeps recorded files on this device until the server has them. */
@Injectable({ providedIn: 'root' })
export class CaptureKeeper {
  #database: Promise<IDBPDatabase> | null = null;

  async all(): Promise<readonly KeptCapture[]> {
    return (await this.#open()).getAll(STORE) as Promise<KeptCapture[]>;
  }
  async keep(capture: KeptCapture): Promise<void> {
    await (await this.#open()).put(STORE, capture);
  }
  async drop(id: string): Promise<void> {
    await (await this.#open()).delete(STORE, id);
  }

  #open(): Promise<IDBPDatabase> {
    this.#database ??= openDB('tetrad-captures', 1, {
      upgrade: (database) => void database.createObjectStore(STORE, { keyPath: 'id' }),
    });
    return this.#database;
  }
}
