import { Injectable, inject, linkedSignal, signal } from '@angular/core';
import type { Cursors } from './chart-dress';
import { ShownCapture } from './shown-capture';
import { withMargin } from './stretch';
import type { Stretch } from './stretch';

/** Four electrical turns; of a ripple without a rhythm this long, s. */
const HUMPS_SEEN = 24;
const RIPPLE_SEEN_S = 0.02;

export type Look = 'wave' | 'ripple';
export const LOOKS: readonly { readonly value: Look; readonly label: string }[] = [
  { value: 'wave', label: 'Volts and amps' },
  { value: 'ripple', label: 'Ripple' },
];

/** What is seen of the capture that is shown; another capture is seen whole. */
@Injectable()
export class CaptureViewport {
  readonly #shown = inject(ShownCapture);
  readonly look = linkedSignal<string | null, Look | null>({ source: this.#shown.id, computation: () => 'wave' });
  /** Null for all of it. */
  readonly seen = linkedSignal<string | null, Stretch | null>({ source: this.#shown.id, computation: () => null });
  readonly cursors = linkedSignal<string | null, Cursors>({
    source: this.#shown.id,
    computation: () => ({ a: null, b: null }),
  });
  readonly moving = signal<'a' | 'b'>('a');

  /** Ripple is seen at a few turns of the alternator, in the middle of the charging. */
  lookAt(look: Look | null): void {
    this.look.set(look);
    const found = this.#shown.found();
    const charging = found?.segments.find(({ kind }) => kind === 'charging');
    if (look !== 'ripple' || !found || !charging) return this.seen.set(null);
    const span = found.ripple?.humpHz ? HUMPS_SEEN / found.ripple.humpHz : RIPPLE_SEEN_S;
    const middle = (charging.fromS + 2 * charging.toS) / 3;
    this.seen.set({ fromS: middle - span / 2, toS: middle + span / 2 });
  }
  /** Brings a stretch into view, a cursor at each of its ends. */
  show(stretch: Stretch): void {
    this.seen.set(withMargin(stretch, this.#shown.found()?.seconds ?? Infinity));
    this.cursors.set({ a: stretch.fromS, b: stretch.toS });
  }
}
