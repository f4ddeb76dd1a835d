import { DOCUMENT } from '@angular/common';
import { Injectable, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { NavigationEnd, NavigationCancel, NavigationError, NavigationStart, Router } from '@angular/router';

/** What is there sooner than this needs no skeleton, ms. */
const SHOWN_AFTER_MS = 100;

/** A screen is fetched when it is first opened; where that fails the page says so instead of staying empty. */
@Injectable({ providedIn: 'root' })
export class ScreenLoading {
  readonly #document = inject(DOCUMENT);
  /** Address of the screen that could not be loaded, or null. */
  readonly failed = signal<string | null>(null);
  /** The next screen is being fetched, and takes long enough to say so. */
  readonly isComing = signal(false);
  #soon: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    inject(Router)
      .events.pipe(takeUntilDestroyed())
      .subscribe((event) => {
        if (event instanceof NavigationError) this.failed.set(event.url);
        else if (event instanceof NavigationStart) {
          this.failed.set(null);
          this.#soon = setTimeout(() => this.isComing.set(true), SHOWN_AFTER_MS);
        }
        if (event instanceof NavigationEnd || event instanceof NavigationCancel || event instanceof NavigationError) {
          clearTimeout(this.#soon);
          this.isComing.set(false);
        }
      });
  }

  /** The page begins anew at that screen: browsers remember within a page that a part could not be fetched. */
  again(): void {
    const url = this.failed();
    if (url !== null) this.#document.location.replace(url);
  }
}
