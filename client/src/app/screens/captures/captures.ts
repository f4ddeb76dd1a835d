import { DatePipe, DecimalPipe } from '@angular/common';
import { httpResource } from '@angular/common/http';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { PAGE_MOST } from '@tetrad/contracts';
import type { AlikeCapture, CaptureView } from '@tetrad/contracts';
import type { Capture, CaptureReading } from '@tetrad/core/capture-format';
import { CaptureSender } from '../../captures/capture-sender';
import { OpenCapture } from '../../captures/open-capture';
import type { Understanding } from '../../captures/worker-messages';
import { JobStore } from '../../job/job.store';
import { Button } from '../../kit/button';
import { FileButton } from '../../kit/file-button';
import { Message } from '../../kit/message';
import { Progress } from '../../kit/progress';
import { Segmented } from '../../kit/segmented';
import { Select } from '../../kit/select';
import { Coming, Empty } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { newId } from '../../state/new-id';
import { selectShop } from '../../state/session/session.feature';
import { CaptureChart } from './capture-chart';
import type { Beneath } from './capture-chart';
import { SEGMENT_NAMES } from './chart-dress';
import type { Cursors } from './chart-dress';
import type { Stretch } from './stretch';
import { CaptureSays } from './capture-says';
import { ChannelMap } from './channel-map';
import { CursorStrip } from './cursor-strip';

/** A capture in the list: on the server, or still on its way there. */
interface Listed {
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

/** Four electrical turns; of a ripple without a rhythm this long, s. */
const HUMPS_SEEN = 24;
const RIPPLE_SEEN_S = 0.02;
type Look = 'wave' | 'ripple';
const LOOKS: readonly { readonly value: Look; readonly label: string }[] = [
  { value: 'wave', label: 'Volts and amps' },
  { value: 'ripple', label: 'Ripple' },
];
const NOTHING_SET: Cursors = { a: null, b: null };
/** Kinds of files that are offered first; the content decides, not the name. */
export const CAPTURE_FILES = '.csv,.txt,.tsv,.wav,.json';

/** Recordings that are listed at first, and more at each asking. */
const PAGE = 50;

/** Recorded waveforms of a job: dropped here, taken apart, looked at, and turned into readings. */
@Component({
  selector: 'tt-captures',
  imports: [
    Button,
    CaptureChart,
    CaptureSays,
    ChannelMap,
    Coming,
    CursorStrip,
    DatePipe,
    DecimalPipe,
    Empty,
    FileButton,
    Message,
    Progress,
    RouterLink,
    Segmented,
    Select,
  ],
  providers: [JobStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './captures.html',
  styleUrl: './captures.css',
  host: {
    '(dragover)': 'over($event)',
    '(dragleave)': 'dropping.set(false)',
    '(drop)': 'drop($event)',
    '[class.dropping]': 'dropping()',
  },
})
export class Captures {
  protected readonly job = inject(JobStore);
  protected readonly sender = inject(CaptureSender);
  readonly #toasts = inject(Toasts);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly id = input.required<string>();
  /** From the address: a capture, and the stretch of it that a reading came from. */
  readonly capture = input<string>();
  readonly from = input<string>();
  readonly to = input<string>();

  protected readonly SEGMENT_NAMES = SEGMENT_NAMES;
  protected readonly LOOKS = LOOKS;
  protected readonly FILES = CAPTURE_FILES;
  protected readonly dropping = signal(false);
  protected readonly chosen = signal<string | null>(null);
  protected readonly opened = signal<OpenCapture | null>(null);
  protected readonly beneathId = signal<string | null>(null);
  readonly #beneathOpen = signal<OpenCapture | null>(null);
  protected readonly look = signal<Look | null>('wave');
  protected readonly seen = signal<Stretch | null>(null);
  protected readonly cursors = signal<Cursors>(NOTHING_SET);
  protected readonly moving = signal<'a' | 'b'>('a');
  /** What a person changed of how the file is understood. */
  readonly #changed = signal<Partial<Understanding>>({});
  protected readonly chart = viewChild(CaptureChart);

  /** How many of the newest are listed. */
  readonly #listed = signal(PAGE);
  readonly #stored = httpResource<readonly CaptureView[]>(() => {
    this.sender.stored();
    const shop = this.#shop();
    return shop ? `/api/shops/${shop}/jobs/${this.id()}/captures?limit=${this.#listed()}` : undefined;
  });
  /** There are more on the server than are listed. */
  protected readonly hasEarlier = computed(() => this.#stored.headers()?.has('Link') ?? false);
  protected readonly failed = computed(() => this.#stored.error() !== undefined);
  protected readonly loading = computed(() => this.#stored.isLoading() && this.list().length === 0);

  protected readonly list = computed((): readonly Listed[] => {
    const shop = this.#shop();
    const stored = this.#stored.hasValue() ? this.#stored.value() : [];
    const sending = this.sender.sending().filter(({ capture }) => capture.job === this.id());
    const onTheWay = new Set(sending.map(({ capture }) => capture.id));
    return [
      ...[...stored]
        .reverse() // the newest comes last, beneath it what is on its way
        .filter(({ id, isWhole }) => isWhole && !onTheWay.has(id))
        .map(({ id, name, bytes, at, found }): Listed => {
          const source = `/api/shops/${shop}/captures/${id}/file`;
          return { id, name, bytes, at, source, found, sent: null, refused: null };
        }),
      ...sending.map(({ capture: { id, name, file, found }, share, refused }): Listed => {
        return { id, name, bytes: file.size, at: null, source: file, found, sent: share, refused };
      }),
    ];
  });
  /** Recordings of other visits to lay beneath: of this vehicle, and of the same engine in others. */
  readonly #alike = httpResource<readonly AlikeCapture[]>(() => {
    const shop = this.#shop();
    return shop ? `/api/shops/${shop}/jobs/${this.id()}/captures-alike` : undefined;
  });
  /** What may be laid beneath the one that is shown. */
  readonly #comparable = computed((): readonly { id: string; label: string; source: Blob | string }[] => [
    ...this.list()
      .filter(({ id }) => id !== this.chosen())
      .map(({ id, name, source }) => ({ id, label: name, source })),
    ...(this.#alike.hasValue() ? this.#alike.value() : []).map(({ id, name, at, vehicle, isSameVehicle }) => ({
      id,
      label: isSameVehicle ? `${name}, ${at.slice(0, 10)}` : `${name}, same engine: ${vehicle}`,
      source: `/api/shops/${this.#shop()}/captures/${id}/file`,
    })),
  ]);
  /** By itself: a list that is told anew opens nothing anew. */
  readonly #beneathSource = computed(
    () => this.#comparable().find(({ id }) => id === this.beneathId())?.source ?? null,
  );
  protected readonly others = computed(() => [
    { value: null, label: 'none' },
    ...this.#comparable().map(({ id, label }) => ({ value: id as string | null, label })),
  ]);

  protected readonly opening = computed(() => this.opened()?.opening() ?? null);
  protected readonly found = computed(() => {
    const opening = this.opening();
    return opening?.state === 'open' ? opening.capture : null;
  });
  protected readonly understanding = computed((): Understanding => {
    const cylinders = this.job.view()?.case.system.engine?.cylinders ?? null;
    return { cylinders, roles: {}, ampsPerVolt: null, wavScale: null, ...this.#changed() };
  });

  /** The other capture, moved so that both cranks begin at the same place. */
  protected readonly beneath = computed((): Beneath | null => {
    const open = this.#beneathOpen();
    const state = open?.opening();
    const own = this.found();
    if (!open || state?.state !== 'open' || !own) return null;
    const begin = ({ segments }: Capture): number => segments.find(({ kind }) => kind === 'inrush')?.fromS ?? 0;
    return { open, shiftS: begin(own) - begin(state.capture) };
  });

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.job.open(id));
    });
    // the address names one; else the newest is opened
    effect(() => {
      const list = this.list();
      if (this.chosen() !== null || list.length === 0 || !this.job.view() || !this.#opensByItself) return;
      const wanted = list.find(({ id }) => id === this.capture()) ?? list.at(-1)!;
      untracked(() => this.choose(wanted.id));
      const [fromS, toS] = [Number(this.from()), Number(this.to())];
      if (this.from() && toS > fromS) this.show({ fromS, toS });
    });
    effect(() => {
      const source = this.#beneathSource();
      untracked(() => {
        this.#beneathOpen()?.close();
        this.#beneathOpen.set(source === null ? null : new OpenCapture(source, this.understanding()));
      });
    });
    inject(DestroyRef).onDestroy(() => {
      this.opened()?.close();
      this.#beneathOpen()?.close();
    });
  }

  /** Ripple is seen at a few turns of the alternator, in the middle of the charging. */
  protected lookAt(look: Look | null): void {
    this.look.set(look);
    const found = this.found();
    const charging = found?.segments.find(({ kind }) => kind === 'charging');
    if (look !== 'ripple' || !found || !charging) return this.seen.set(null);
    const span = found.ripple?.humpHz ? HUMPS_SEEN / found.ripple.humpHz : RIPPLE_SEEN_S;
    const middle = (charging.fromS + 2 * charging.toS) / 3;
    this.seen.set({ fromS: middle - span / 2, toS: middle + span / 2 });
  }

  protected choose(id: string): void {
    const listed = this.list().find((one) => one.id === id);
    if (listed) this.#show(id, listed.source);
  }

  protected listEarlier(): void {
    this.#listed.update((listed) => Math.min(PAGE_MOST, listed + PAGE));
  }

  protected over(event: DragEvent): void {
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    this.dropping.set(true);
  }
  protected drop(event: DragEvent): void {
    event.preventDefault();
    this.dropping.set(false);
    const file = event.dataTransfer?.files[0];
    if (file) this.add(file);
  }

  /** Opens a file of this device; it is kept once it could be read. */
  protected add(file: File): void {
    const id = newId();
    this.#show(id, file, file.name);
  }

  /** Stops reading: nothing of the file is kept, and nothing opens by itself after it. */
  protected cancel(): void {
    this.opened()?.close();
    this.opened.set(null);
    this.#adding = null;
    this.chosen.set(null);
    this.#opensByItself = false;
  }

  protected understand(change: Partial<Understanding>): void {
    this.#changed.update((before) => ({ ...before, ...change }));
    this.opened()?.understand(this.understanding());
  }

  protected show({ fromS, toS }: Stretch): void {
    const end = this.found()?.seconds ?? Infinity;
    const margin = Math.max(0.02, (toS - fromS) * 0.15);
    this.seen.set({ fromS: Math.max(0, fromS - margin), toS: Math.min(end, toS + margin) });
    this.cursors.set({ a: fromS, b: toS });
  }

  /** Takes readings into the job, each with the stretch it came from. */
  protected take(readings: readonly CaptureReading[]): void {
    const capture = this.chosen();
    if (capture === null) return;
    for (const { test, value, uncertainty, conditions = {}, fromS, toS } of readings)
      this.job.read(test, {
        value,
        uncertainty,
        conditions: conditions as Record<string, string | number | boolean>,
        capture: { id: capture, fromS, toS },
      });
    this.#toasts.say(
      readings.length === 1 ? 'Taken into the job' : `${readings.length} readings taken into the job`,
      () => {
        for (const _ of readings) this.job.undo();
      },
    );
  }

  #opensByItself = true;
  #adding: { readonly id: string; readonly file: File } | null = null;

  #show(id: string, source: Blob | string, name: string | null = null): void {
    this.opened()?.close();
    this.#changed.set({});
    this.chosen.set(id);
    this.seen.set(null);
    this.cursors.set(NOTHING_SET);
    this.look.set('wave');
    if (this.beneathId() === id) this.beneathId.set(null);
    this.#adding = name !== null && source instanceof File ? { id, file: source } : null;
    this.opened.set(new OpenCapture(source, this.understanding()));
  }

  /** A file that was read is handed over to be stored, with what was found in it. */
  protected readonly keeping = effect(() => {
    const found = this.found();
    const adding = this.#adding;
    const shop = this.#shop();
    if (!found || !adding || shop === null) return;
    this.#adding = null;
    untracked(() => {
      const { id, file } = adding;
      void this.sender.take({ id, shop, job: this.id(), name: file.name, file, found });
    });
  });
}
