import { httpResource } from '@angular/common/http';
import { Injectable, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { PAGE_MOST } from '@tetrad/contracts';
import type { AlikeCapture, CaptureView } from '@tetrad/contracts';
import type { Capture } from '@tetrad/core/capture-format';
import { CaptureSender } from '../../captures/capture-sender';
import { JobStore } from '../../job/job.store';
import { selectShop } from '../../state/session/session.feature';
import { addressOf } from '@tetrad/contracts/addresses';

/** A capture in the list: on the server, or still on its way there. */
export interface Listed {
  readonly id: string;
  readonly name: string;
  readonly bytes: number;
  readonly at: string | null;
  readonly source: Blob | string;
  readonly found: Capture | null;
  /** 0 to 1 while it is sent; null where the server has it. */
  readonly sent: number | null;
  readonly refused: string | null;
}

/** A capture that another one may be compared with. */
export type Comparable = Pick<Listed, 'id' | 'source'> & { readonly label: string };

/** Recordings that are listed at first, and more at each asking. */
const PAGE = 50;

/** The captures of the job in view, and those of other visits that they may be compared with. */
@Injectable()
export class CaptureList {
  readonly #job = inject(JobStore);
  readonly #sender = inject(CaptureSender);
  readonly #shop = inject(Store).selectSignal(selectShop);
  /** How many of the newest are listed. */
  readonly #count = signal(PAGE);

  readonly #stored = httpResource<readonly CaptureView[]>(() => {
    this.#sender.stored();
    const at = this.#ofJob();
    return at && `${addressOf('listCaptures', ...at)}?limit=${this.#count()}`;
  });
  /** Of this vehicle, and of the same engine in others. */
  readonly #alike = httpResource<readonly AlikeCapture[]>(() => {
    const at = this.#ofJob();
    return at && addressOf('listAlikeCaptures', ...at);
  });

  /** There are more on the server than are listed. */
  readonly hasEarlier = computed(() => this.#stored.headers()?.has('Link') ?? false);
  readonly failed = computed(() => this.#stored.error() !== undefined);
  readonly loading = computed(() => this.#stored.isLoading() && this.all().length === 0);

  /** The newest stored ones last, beneath them what is on its way. */
  readonly all = computed((): readonly Listed[] => {
    const stored = this.#stored.hasValue() ? this.#stored.value() : [];
    const sending = this.#sender.sending().filter(({ capture }) => capture.job === this.#job.id());
    const onTheWay = new Set(sending.map(({ capture }) => capture.id));
    return [
      ...[...stored]
        .reverse()
        .filter(({ id, isWhole }) => isWhole && !onTheWay.has(id))
        .map(({ id, name, bytes, at, found }): Listed => {
          return { id, name, bytes, at, source: this.#fileOf(id), found, sent: null, refused: null };
        }),
      ...sending.map(({ capture: { id, name, file, found }, share, refused }): Listed => {
        return { id, name, bytes: file.size, at: null, source: file, found, sent: share, refused };
      }),
    ];
  });

  readonly comparable = computed((): readonly Comparable[] => [
    ...this.all().map(({ id, name, source }) => ({ id, label: name, source })),
    ...(this.#alike.hasValue() ? this.#alike.value() : []).map(({ id, name, at, vehicle, isSameVehicle }) => ({
      id,
      label: isSameVehicle ? `${name}, ${at.slice(0, 10)}` : `${name}, same engine: ${vehicle}`,
      source: this.#fileOf(id),
    })),
  ]);

  listEarlier(): void {
    this.#count.update((count) => Math.min(PAGE_MOST, count + PAGE));
  }

  #ofJob(): [shop: string, job: string] | undefined {
    const [shop, job] = [this.#shop(), this.#job.id()];
    return shop !== null && job !== null ? [shop, job] : undefined;
  }
  #fileOf(id: string): string {
    return addressOf('getCaptureFile', this.#shop() ?? '', id);
  }
}
