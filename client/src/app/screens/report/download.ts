import { HttpClient, HttpEventType } from '@angular/common/http';
import type { HttpErrorResponse } from '@angular/common/http';
import { DestroyRef, Injectable, inject, signal } from '@angular/core';
import type { Subscription } from 'rxjs';
import { problemOf } from '../../api/loading';
import { saveFile } from '../../kit/save-file';
import { Toasts } from '../../kit/toasts';

/** The name that the server gave the file. */
const NAME = /filename\*?=(?:UTF-8'')?"?([^";]+)"?/i;

/** A file that the server makes when it is asked for: what it takes is seen, and it can be given up. */
@Injectable()
export class Download {
  readonly #http = inject(HttpClient);
  readonly #toasts = inject(Toasts);
  #running: Subscription | null = null;
  /** How much of it is here, 0 to 1; null while it is made. */
  readonly share = signal<number | null>(null);
  readonly isRunning = signal(false);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.cancel());
  }

  /** @param otherwise Its name where the server gives none. */
  start(address: string, otherwise: string): void {
    this.cancel();
    this.isRunning.set(true);
    this.#running = this.#http
      .get(address, { responseType: 'blob', observe: 'events', reportProgress: true })
      .subscribe({
        next: (event) => {
          if (event.type === HttpEventType.DownloadProgress && event.total) this.share.set(event.loaded / event.total);
          if (event.type !== HttpEventType.Response || !event.body) return;
          const name = NAME.exec(event.headers.get('Content-Disposition') ?? '')?.[1];
          saveFile(name ? decodeURIComponent(name) : otherwise, event.body);
          this.#end();
        },
        error: (failure: HttpErrorResponse) => {
          this.#end();
          void told(failure).then((says) => this.#toasts.say(says));
        },
      });
  }

  /** The server hears that nobody waits any more, and stops. */
  cancel(): void {
    this.#running?.unsubscribe();
    this.#end();
  }

  #end(): void {
    this.#running = null;
    this.isRunning.set(false);
    this.share.set(null);
  }
}

/** What went wrong in the server's words; they came as a file too. */
async function told(failure: HttpErrorResponse): Promise<string> {
  const error: unknown = failure.error instanceof Blob ? await failure.error.text() : failure.error;
  return problemOf({ ...failure, error }).detail;
}
