import { DOCUMENT } from '@angular/common';
import { DestroyRef, Injectable, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { isDialogOpen } from './behind-dialogs';

/** Screens where a figure that is typed anywhere belongs to the step at hand. */
const IS_BENCH = /^\/(jobs\/[^/?#]+|quick(\/[^/?#]+)?)\/?([?#].*)?$/;
/** What a figure begins with, and what may follow in it: its unit too. */
const BEGINS = /^[\d.,+−-]$/;
const FOLLOWS = /^[\w\s.,%°µΩ+−-]$/;
/** Keys are diverted no longer than this while a screen is fetched, ms. */
const LONGEST_FETCH_MS = 10_000;

const isText = (target: EventTarget | null): boolean =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && !/^(checkbox|radio|button|file)$/.test(target.type));

/**
 * Keys that were pressed before the entry was there to take them: while the screen is fetched, while a step that was read
 * makes room for the next reading. They are kept in their order and handed over, Enter among them.
 */
@Injectable({ providedIn: 'root' })
export class TypedAhead {
  readonly #router = inject(Router);
  readonly #document = inject(DOCUMENT);
  #divertedUntil = 0;
  #attending = 0;
  /** Keys that wait for their entry; Enter is a line end. */
  readonly keys = signal('');

  constructor() {
    const take = (event: KeyboardEvent): void => this.#take(event);
    // before any control of the page: the focus may still lie on what was pressed last
    this.#document.addEventListener('keydown', take, { capture: true });
    inject(DestroyRef).onDestroy(() => this.#document.removeEventListener('keydown', take, { capture: true }));
  }

  /** A bench is on its way: whatever has the focus now, the next keys are for it. */
  divert(): void {
    this.#divertedUntil = Date.now() + LONGEST_FETCH_MS;
  }
  /** A step is at hand from now on. @returns what ends that. */
  attend(): () => void {
    this.#attending += 1;
    return () => {
      this.#attending -= 1;
      this.keys.set('');
    };
  }
  /** The entry has the focus: keys reach it by themselves. */
  arrived(): void {
    this.#divertedUntil = 0;
  }
  /** Takes keys off the front: all of one entry, or as many as are asked for. */
  take(count: number): string {
    const keys = this.keys();
    this.keys.set(keys.slice(count));
    return keys.slice(0, count);
  }

  #take(event: KeyboardEvent): void {
    if (event.altKey || event.ctrlKey || event.metaKey || event.isComposing) return;
    const isDiverted = Date.now() < this.#divertedUntil;
    if (!isDiverted && (isText(event.target) || isDialogOpen() || !this.#isAtBench())) return;
    const waiting = this.keys();
    const { key } = event;
    if (key === 'Backspace' && waiting !== '') this.keys.set(waiting.slice(0, -1));
    else if (key === 'Enter' && waiting !== '') this.keys.set(`${waiting}\n`);
    else if (BEGINS.test(key) || (waiting !== '' && FOLLOWS.test(key))) this.keys.set(waiting + key);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  #isAtBench(): boolean {
    const coming = this.#router.currentNavigation()?.finalUrl;
    if (!coming && this.#attending > 0) return true;
    return IS_BENCH.test(coming ? this.#router.serializeUrl(coming) : this.#router.url);
  }
}
