import { DOCUMENT } from '@angular/common';
import { Injectable, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { NavigationError, NavigationStart, Router } from '@angular/router';

/** A screen is fetched when it is first opened; where that fails the page says so instead of staying empty. */
@Injectable({ providedIn: 'root' })
export class ScreenLoading {
  readonly #document = inject(DOCUMENT);
  /** Address of the screen that could not be loaded, or null. */
  readonly failed = signal<string | null>(null);

  constructor() {
    inject(Router)
      .events.pipe(takeUntilDestroyed())
      .subscribe((event) => {
        if (event instanceof NavigationError) this.failed.set(event.url);
        else if (event instanceof NavigationStart) this.failed.set(null);
      });
  }

  /** The page begins anew at that screen: browsers remember within a page that a part could not be fetched. */
  again(): void {
    const url = this.failed();
    if (url !== null) this.#document.location.replace(url);
  }
}
