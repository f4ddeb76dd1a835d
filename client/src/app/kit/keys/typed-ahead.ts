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

const isModified = ({ altKey, ctrlKey, metaKey, isComposing }: KeyboardEvent): boolean =>
  altKey || ctrlKey || metaKey || isComposing;
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
    this.#takeEarly();
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

  /** What was typed before the application was there. */
  #takeEarly(): void {
    const { tetradEarlyKeys } = globalThis as { tetradEarlyKeys?: () => readonly KeyboardEvent[] };
    const early = tetradEarlyKeys?.() ?? [];
    if (!IS_BENCH.test(this.#document.location.pathname)) return;
    for (const event of early) if (!isModified(event)) this.#keep(event.key);
    if (this.keys() !== '') this.divert();
  }

  #take(event: KeyboardEvent): void {
    if (isModified(event)) return;
    const isDiverted = Date.now() < this.#divertedUntil;
    if (!isDiverted && (isText(event.target) || isDialogOpen() || !this.#isAtBench())) return;
    if (!this.#keep(event.key)) return;
    event.preventDefault();
    event.stopPropagation();
  }

  /** @returns false for a key that no entry waits for. */
  #keep(key: string): boolean {
    const waiting = this.keys();
    if (key === 'Backspace' && waiting !== '') this.keys.set(waiting.slice(0, -1));
    else if (key === 'Enter' && waiting !== '') this.keys.set(`${waiting}\n`);
    else if (BEGINS.test(key) || (waiting !== '' && FOLLOWS.test(key))) this.keys.set(waiting + key);
    else return false;
    return true;
  }

  #isAtBench(): boolean {
    const coming = this.#router.currentNavigation()?.finalUrl;
    if (!coming && this.#attending > 0) return true;
    return IS_BENCH.test(coming ? this.#router.serializeUrl(coming) : this.#router.url);
  }
}
