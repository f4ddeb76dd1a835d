import { LOST_MS, MAX_AGE_MS, Steadiness } from '@tetrad/core';
import { distinctUntilChanged, map, merge, timer } from 'rxjs';
import type { Observable } from 'rxjs';
import type { LiveNews, LiveReading, LiveSource } from './live-source';

/** Without a known accuracy a figure that moves by more than this share is not steady. */
const USUAL_ACCURACY = 0.005;
/** A stream that tells nothing new is looked at so often, ms. */
const LOOK_MS = 100;

/** Makes readings of what comes; a value that nothing follows becomes stale, then lost. */
export function readingsOf(source: LiveSource, news: Observable<LiveNews>): Observable<LiveReading> {
  let steadiness: Steadiness | null = null;
  let last: { reading: LiveReading; atMs: number } | null = null;
  const { id, name, use, accuracy } = source;
  const heard = news.pipe(
    map((told): LiveReading => {
      const common = { id, name, usedBy: told.use === use ? null : told.owner };
      if (told.state !== 'value') {
        steadiness?.reset();
        return told.state === 'lost' ? { ...common, state: 'lost', why: told.why } : { ...common, state: told.state };
      }
      const { value, resolution, identity } = told;
      steadiness ??= new Steadiness(Math.max(accuracy ?? Math.abs(value) * USUAL_ACCURACY, resolution));
      const atMs = performance.now();
      const standing = steadiness.add(value, atMs);
      const digits = Math.max(0, Math.round(-Math.log10(resolution)));
      return {
        ...common,
        state: 'value',
        value,
        atMs,
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
      if (age > LOST_MS) return { id, name, usedBy: null, state: 'lost', why: 'nothing came for 2 s' };
      return age > MAX_AGE_MS ? { ...last.reading, isStale: true, isSteady: false } : last.reading;
    }),
    distinctUntilChanged(),
  );
  return merge(heard, looked as Observable<LiveReading>);
}
