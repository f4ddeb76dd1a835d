import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject, signal } from '@angular/core';
import { CAPTURE_PIECE_BYTES } from '@tetrad/contracts/light';
import type { CaptureView, Problem } from '@tetrad/contracts';
import { firstValueFrom } from 'rxjs';
import { mayRetry } from '../api/loading';
import { CaptureKeeper } from './capture-keeper';
import type { KeptCapture } from './capture-keeper';
import { addressOf } from '@tetrad/contracts/addresses';

/** Where a file that is being sent stands. */
export interface Sending {
  readonly capture: KeptCapture;
  /** 0 to 1. */
  readonly share: number;
  /** Why the server refused it; null while it may still be stored. */
  readonly refused: string | null;
}

/** The server is tried again after this, growing to the second, ms. */
const AGAIN_MS = 2000;
const AGAIN_AT_MOST_MS = 30_000;

/** Sends recorded files piece by piece, goes on where a connection broke, and keeps what is not stored yet. */
@Injectable({ providedIn: 'root' })
export class CaptureSender {
  readonly #http = inject(HttpClient);
  readonly #keeper = inject(CaptureKeeper);
  readonly sending = signal<readonly Sending[]>([]);
  /** Grows with every file that is stored whole: lists are to be asked for anew. */
  readonly stored = signal(0);
  #runs = false;
  #again = AGAIN_MS;

  constructor() {
    globalThis.addEventListener('online', () => void this.#run());
    void this.#begin();
  }

  /** Takes a file over: it is kept first, and once it is shown here nothing of it is lost. */
  async take(capture: KeptCapture): Promise<void> {
    await this.#keeper.keep(capture).catch(() => undefined); // a private window keeps nothing: it is sent all the same
    this.sending.update((all) => [...all.filter((one) => one.capture.id !== capture.id), begun(capture)]);
    void this.#run();
  }

  /** Gives up a file that the server refuses. */
  async discard(id: string): Promise<void> {
    await this.#keeper.drop(id);
    this.sending.update((all) => all.filter(({ capture }) => capture.id !== id));
  }

  async #begin(): Promise<void> {
    const kept = await this.#keeper.all().catch(() => []);
    this.sending.update((all) => [
      ...all,
      ...kept.filter(({ id }) => !all.some((one) => one.capture.id === id)).map(begun),
    ]);
    await this.#run();
  }

  async #run(): Promise<void> {
    if (this.#runs) return;
    this.#runs = true;
    try {
      for (let next = this.#next(); next; next = this.#next()) await this.#send(next);
      this.#again = AGAIN_MS;
    } catch {
      setTimeout(() => void this.#run(), this.#again);
      this.#again = Math.min(AGAIN_AT_MOST_MS, this.#again * 2);
    } finally {
      this.#runs = false;
    }
  }

  #next(): KeptCapture | null {
    return this.sending().find(({ refused }) => refused === null)?.capture ?? null;
  }

  async #send(capture: KeptCapture): Promise<void> {
    const { id, shop, job, name, file, found } = capture;
    try {
      const body = { id, name, bytes: file.size };
      const view = await firstValueFrom(this.#http.post<CaptureView>(addressOf('announceCapture', shop, job), body));
      const there = new Set(view.pieces);
      const count = Math.ceil(file.size / CAPTURE_PIECE_BYTES);
      for (let number = 0; number < count; number++) {
        if (!there.has(number)) {
          const piece = file.slice(
            number * CAPTURE_PIECE_BYTES,
            (number + 1) * CAPTURE_PIECE_BYTES,
            'application/octet-stream',
          );
          await firstValueFrom(this.#http.put(addressOf('storePiece', shop, id, number), piece));
        }
        this.#change(id, { share: (number + 1) / count });
      }
      if (found) await firstValueFrom(this.#http.post(addressOf('storeFound', shop, id), { found }));
      await this.#keeper.drop(id).catch(() => undefined);
      this.sending.update((all) => all.filter((one) => one.capture.id !== id));
      this.stored.update((count) => count + 1);
    } catch (error) {
      const refusal = error instanceof HttpErrorResponse && error.status >= 400 && error.status < 500 ? error : null;
      if (!refusal || mayRetry(refusal)) throw error;
      this.#change(id, { refused: (refusal.error as Problem | null)?.detail ?? refusal.message });
    }
  }

  #change(id: string, change: Partial<Sending>): void {
    this.sending.update((all) => all.map((one) => (one.capture.id === id ? { ...one, ...change } : one)));
  }
}

const begun = (capture: KeptCapture): Sending => ({ capture, share: 0, refused: null });
