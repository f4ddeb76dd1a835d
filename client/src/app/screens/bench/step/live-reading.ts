/** What the instrument of the step at hand shows just now: read by the server, judged here for whether it stands still. */
import { Injectable, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { LOST_MS, MAX_AGE_MS, Steadiness, TESTS } from '@tetrad/core';
import type { InstrumentFunction } from '@tetrad/core';
import { distinctUntilChanged, map, merge, of, switchMap, timer } from 'rxjs';
import type { Observable } from 'rxjs';
import { eventStream } from '../../../state/event-stream';
import { selectShop } from '../../../state/session/session.feature';
import { ReadWith } from './read-with';
import { StepReading } from './step-reading';

/** As the server tells it. */
type LiveNews = (
  | { readonly state: 'connecting' | 'over-range' }
  | { readonly state: 'value'; readonly value: number; readonly resolution: number }
  | { readonly state: 'lost'; readonly why: string }
) & { readonly use: InstrumentFunction; readonly identity: string | null; readonly owner: string };

interface Common {
  /** Its name in the shop. */
  readonly name: string;
  /** Somebody else reads it for something else just now. */
  readonly usedBy: string | null;
}
export type LiveReading = Common &
  (
    | { readonly state: 'connecting' | 'over-range' }
    | { readonly state: 'lost'; readonly why: string }
    | {
        readonly state: 'value';
        readonly value: number;
        /** What Enter keeps: the mean where it is steady, with the digits of the display. */
        readonly kept: number;
        readonly resolution: number;
        readonly accuracy: number | null;
        readonly isSteady: boolean;
        /** Older than it may be to count as live. */
        readonly isStale: boolean;
        readonly lowest: number;
        readonly highest: number;
        /** Who it is, by the shop and by itself. */
        readonly instrument: string;
      }
  );

/** Without a known accuracy a figure that moves by more than this share is not steady. */
const USUAL_ACCURACY = 0.005;
/** A stream that tells nothing new is looked at so often, ms. */
const LOOK_MS = 100;

interface Source {
  readonly shop: string;
  readonly id: string;
  readonly name: string;
  readonly use: InstrumentFunction;
  readonly accuracy: number | null;
}
const isSame = (a: Source | null, b: Source | null): boolean => JSON.stringify(a) === JSON.stringify(b);

@Injectable()
export class LiveReadings {
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly #readWith = inject(ReadWith);
  readonly #reading = inject(StepReading);
  /** Set by tests: where news come from. */
  readonly open = signal<(source: Source) => Observable<LiveNews>>(({ shop, id, use }) =>
    eventStream<LiveNews>(`/api/shops/${shop}/instruments/${id}/live?use=${use}`, 'live'),
  );

  /** Only while an entry is open is anything asked of an instrument. */
  readonly #source = computed((): Source | null => {
    const step = this.#reading.step();
    const shop = this.#shop();
    const found = step && !this.#reading.isShown() ? this.#readWith.live(step.test) : null;
    if (!found || !step || shop === null) return null;
    const { instrument, use } = found;
    const accuracy = instrument.uncertainty[TESTS[step.test].unit] ?? null;
    return { shop, id: instrument.id, name: instrument.name, use, accuracy };
  });

  readonly reading = toSignal(
    toObservable(this.#source).pipe(
      distinctUntilChanged(isSame),
      switchMap((source) => (source === null ? of(null) : readingsOf(source, this.open()(source)))),
    ),
    { initialValue: null },
  );
}

/** Makes readings of what comes; a value that nothing follows becomes stale, then lost. */
function readingsOf(source: Source, news: Observable<LiveNews>): Observable<LiveReading> {
  let steadiness: Steadiness | null = null;
  let last: { reading: LiveReading; atMs: number } | null = null;
  const { name, use, accuracy } = source;
  const heard = news.pipe(
    map((told): LiveReading => {
      const common = { name, usedBy: told.use === use ? null : told.owner };
      if (told.state !== 'value') {
        steadiness?.reset();
        return told.state === 'lost' ? { ...common, state: 'lost', why: told.why } : { ...common, state: told.state };
      }
      const { value, resolution, identity } = told;
      steadiness ??= new Steadiness(Math.max(accuracy ?? Math.abs(value) * USUAL_ACCURACY, resolution));
      const standing = steadiness.add(value, performance.now());
      const digits = Math.max(0, Math.round(-Math.log10(resolution)));
      return {
        ...common,
        state: 'value',
        value,
        kept: standing.isSteady ? Number(standing.mean.toFixed(digits)) : value,
        resolution,
        accuracy,
        isSteady: standing.isSteady,
        isStale: false,
        lowest: standing.lowest,
        highest: standing.highest,
        instrument: identity === null ? name : `${name} (${identity})`,
      };
    }),
    map((reading) => {
      last = { reading, atMs: performance.now() };
      return reading;
    }),
  );
  const looked = timer(LOOK_MS, LOOK_MS).pipe(
    map((): LiveReading | null => {
      if (last?.reading.state !== 'value') return last?.reading ?? null;
      const age = performance.now() - last.atMs;
      if (age > LOST_MS) return { name, usedBy: null, state: 'lost', why: 'nothing came for 2 s' };
      return age > MAX_AGE_MS ? { ...last.reading, isStale: true, isSteady: false } : last.reading;
    }),
    distinctUntilChanged(),
  );
  return merge(heard, looked as Observable<LiveReading>);
}
