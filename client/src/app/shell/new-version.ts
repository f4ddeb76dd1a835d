import { Injectable, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { SwUpdate } from '@angular/service-worker';
import { filter, fromEvent, merge, throttleTime, timer } from 'rxjs';

const FIRST_LOOK_MS = 60_000;
const AGAIN_MS = 30 * 60_000;

/** A newer version of the page: looked for now and then, offered, and never taken in the middle of a step. */
@Injectable({ providedIn: 'root' })
export class NewVersion {
  readonly #updates = inject(SwUpdate);
  readonly ready = signal(false);

  constructor() {
    if (!this.#updates.isEnabled) return;
    this.#updates.versionUpdates
      .pipe(
        filter(({ type }) => type === 'VERSION_READY'),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.ready.set(true));
    merge(timer(FIRST_LOOK_MS, AGAIN_MS), fromEvent(globalThis, 'online'))
      .pipe(throttleTime(FIRST_LOOK_MS), takeUntilDestroyed())
      .subscribe(() => void this.#updates.checkForUpdate().catch(() => undefined));
  }

  /** What is typed is kept on this device; the page begins anew. */
  take(): void {
    void this.#updates.activateUpdate().then(() => document.location.reload());
  }
}
