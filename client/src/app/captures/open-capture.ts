/** One recording in its worker, as signals and promises. */
import { signal } from '@angular/core';
import type { Capture } from '@tetrad/core/capture-format';
import { captureWorker } from './capture-worker.factory';
import type { Drawn, FromWorker, Measured, ToWorker, Understanding } from './worker-messages';

export type Opening =
  | { readonly state: 'reading'; readonly share: number | null }
  | { readonly state: 'open'; readonly capture: Capture }
  | { readonly state: 'failed'; readonly says: string; readonly code: string };

export class OpenCapture {
  readonly #worker = captureWorker();
  readonly #waiting = new Map<number, (message: FromWorker) => void>();
  #requests = 0;
  readonly opening = signal<Opening>({ state: 'reading', share: 0 });

  constructor(
    readonly source: Blob | string,
    private as: Understanding,
  ) {
    this.#worker.addEventListener('message', ({ data }: MessageEvent<FromWorker>) => this.#take(data));
    this.#worker.addEventListener('error', ({ message }) =>
      this.opening.set({ state: 'failed', says: message || 'The recording could not be read.', code: 'fault' }),
    );
    this.#say({ kind: 'open', source, as });
  }

  /** Takes it apart anew, with other channels or scales. */
  understand(as: Understanding): void {
    // a WAV's scale is needed to read it
    const isReadAnew = this.opening().state === 'failed' || as.wavScale !== this.as.wavScale;
    this.as = as;
    if (isReadAnew) this.#say({ kind: 'open', source: this.source, as });
    else this.#say({ kind: 'understand', as });
  }

  async view(fromS: number, toS: number, columns: number, coupled: boolean): Promise<readonly Drawn[]> {
    const message = await this.#ask((request) => ({ kind: 'view', request, fromS, toS, columns, coupled }));
    return message.kind === 'view' ? message.drawn : [];
  }
  async measure(fromS: number, toS: number): Promise<Measured | null> {
    const message = await this.#ask((request) => ({ kind: 'measure', request, fromS, toS }));
    return message.kind === 'measure' ? message.measured : null;
  }

  /** Ends the worker, whatever it is at. */
  close(): void {
    this.#worker.terminate();
    this.#waiting.clear();
  }

  #ask(message: (request: number) => ToWorker): Promise<FromWorker> {
    const request = ++this.#requests;
    return new Promise((resolve) => {
      this.#waiting.set(request, resolve);
      this.#say(message(request));
    });
  }
  #say(message: ToWorker): void {
    this.#worker.postMessage(message);
  }
  #take(message: FromWorker): void {
    if (message.kind === 'progress') this.opening.set({ state: 'reading', share: message.share });
    else if (message.kind === 'opened') this.opening.set({ state: 'open', capture: message.capture });
    else if (message.kind === 'failed') this.opening.set({ state: 'failed', says: message.says, code: message.code });
    else {
      this.#waiting.get(message.request)?.(message);
      this.#waiting.delete(message.request);
    }
  }
}
