import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { CaptureSender } from '../../captures/capture-sender';
import { OpenCapture } from '../../captures/open-capture';
import type { Understanding } from '../../captures/worker-messages';
import { JobStore } from '../../job/job.store';
import { newId } from '../../device/new-id';
import { selectShop } from '../../state/session/session.feature';
import type { Listed } from './capture-list';

/** The capture that is shown: opened in its worker, understood, and stored once it could be read. */
@Injectable()
export class ShownCapture {
  readonly #job = inject(JobStore);
  readonly #sender = inject(CaptureSender);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly #id = signal<string | null>(null);
  readonly #open = signal<OpenCapture | null>(null);
  /** What a person changed of how the file is understood. */
  readonly #changed = signal<Partial<Understanding>>({});
  /** A file of this device that nobody has stored yet. */
  #unstored: { readonly id: string; readonly file: File } | null = null;

  readonly id = this.#id.asReadonly();
  readonly open = this.#open.asReadonly();
  readonly opening = computed(() => this.open()?.opening() ?? null);
  readonly found = computed(() => {
    const opening = this.opening();
    return opening?.state === 'open' ? opening.capture : null;
  });
  readonly understanding = computed((): Understanding => {
    const cylinders = this.#job.view()?.case.system.engine?.cylinders ?? null;
    return { cylinders, roles: {}, ampsPerVolt: null, wavScale: null, ...this.#changed() };
  });

  constructor() {
    effect(() => {
      const found = this.found();
      const shop = this.#shop();
      const job = this.#job.id();
      const unstored = this.#unstored;
      if (!found || !unstored || shop === null || job === null) return;
      this.#unstored = null;
      const { id, file } = unstored;
      untracked(() => void this.#sender.take({ id, shop, job, name: file.name, file, found }));
    });
    inject(DestroyRef).onDestroy(() => this.open()?.close());
  }

  show({ id, source }: Pick<Listed, 'id' | 'source'>): void {
    this.#show(id, source);
    this.#unstored = null;
  }
  /** Opens a file of this device; it is stored once it could be read. */
  add(file: File): void {
    const id = newId();
    this.#show(id, file);
    this.#unstored = { id, file };
  }
  understand(change: Partial<Understanding>): void {
    this.#changed.update((before) => ({ ...before, ...change }));
    this.open()?.understand(this.understanding());
  }
  /** Stops reading: nothing of the file is kept. */
  cancel(): void {
    this.open()?.close();
    this.#open.set(null);
    this.#unstored = null;
    this.#id.set(null);
  }

  #show(id: string, source: Blob | string): void {
    this.open()?.close();
    this.#changed.set({});
    this.#id.set(id);
    this.#open.set(new OpenCapture(source, this.understanding()));
  }
}
