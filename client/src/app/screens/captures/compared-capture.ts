import { DestroyRef, Injectable, computed, effect, inject, linkedSignal, signal, untracked } from '@angular/core';
import type { Capture } from '@tetrad/core/capture-format';
import { OpenCapture } from '../../captures/open-capture';
import type { Beneath } from './capture-chart';
import { CaptureList } from './capture-list';
import { ShownCapture } from './shown-capture';

/** Where a crank begins in a record, s. */
const crankBegins = ({ segments }: Capture): number => segments.find(({ kind }) => kind === 'inrush')?.fromS ?? 0;

/** A second capture that is drawn beneath the one that is shown, so that both cranks begin at the same place. */
@Injectable()
export class ComparedCapture {
  readonly #list = inject(CaptureList);
  readonly #shown = inject(ShownCapture);
  readonly #open = signal<OpenCapture | null>(null);

  /** Which one; a capture is not compared with itself. */
  readonly id = linkedSignal<string | null, string | null>({
    source: this.#shown.id,
    computation: (shown, previous) => (previous?.value === shown ? null : (previous?.value ?? null)),
  });
  readonly #comparable = computed(() => this.#list.comparable().filter(({ id }) => id !== this.#shown.id()));
  readonly choices = computed(() => [
    { value: null as string | null, label: 'none' },
    ...this.#comparable().map(({ id, label }) => ({ value: id as string | null, label })),
  ]);
  /** By itself: a list that is told anew opens nothing anew. */
  readonly #source = computed(() => this.#comparable().find(({ id }) => id === this.id())?.source ?? null);

  readonly beneath = computed((): Beneath | null => {
    const open = this.#open();
    const state = open?.opening();
    const own = this.#shown.found();
    if (!open || state?.state !== 'open' || !own) return null;
    return { open, shiftS: crankBegins(own) - crankBegins(state.capture) };
  });

  constructor() {
    effect(() => {
      const source = this.#source();
      untracked(() => {
        this.#open()?.close();
        this.#open.set(source === null ? null : new OpenCapture(source, this.#shown.understanding()));
      });
    });
    inject(DestroyRef).onDestroy(() => this.#open()?.close());
  }
}
