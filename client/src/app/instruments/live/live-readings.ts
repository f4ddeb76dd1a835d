/** What the instruments of the step at hand show just now: its own value, and what is read beside it at the same moment. */
import { Injectable, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { InstrumentView } from '@tetrad/contracts';
import { INSTRUMENT_FUNCTIONS, LIVE_CONDITIONS, TESTS, functionOfCondition } from '@tetrad/core';
import type { LiveCondition } from '@tetrad/core';
import { EMPTY, distinctUntilChanged, filter, map, merge, of, scan, share, switchMap } from 'rxjs';
import type { Observable } from 'rxjs';
import { isSameSource } from './live-source';
import type { LiveNews, LiveReading, LiveSource } from './live-source';
import { readingsOf } from './live-stream';
import { eventStream } from '../../api/event-stream';
import { selectShop } from '../../state/session/session.feature';
import { ReadWith } from '../read-with';
import { serialReadings } from '../serial/serial-link';
import { SerialPorts } from '../serial/serial-ports';
import { LiveStep } from './live-step';
import { addressOf } from '@tetrad/contracts/addresses';

/** `value` is the step's own; the others are conditions that are read beside it. */
type Role = 'value' | LiveCondition;
type Sources = readonly (LiveSource & { readonly role: Role })[];
export type LiveReadingsNow = Readonly<Partial<Record<Role, LiveReading>>>;

const sourceOf = ({ id, name, millivoltsPerAmp }: InstrumentView) => ({ id, name, scale: millivoltsPerAmp });
const NONE: LiveReadingsNow = {};
const isSame = (a: Sources, b: Sources): boolean =>
  a.length === b.length && a.every((one, at) => isSameSource(one, b[at]!) && one.role === b[at]!.role);

@Injectable()
export class LiveReadings {
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly #readWith = inject(ReadWith);
  readonly #step = inject(LiveStep).open;
  readonly #serial = inject(SerialPorts);
  /** Set by tests: where news come from. */
  readonly open = signal<(sources: readonly LiveSource[]) => Observable<LiveNews>>((sources) => {
    const atPort = sources.filter(({ id }) => this.#serial.of(id) !== null);
    const overServer = sources.filter((source) => !atPort.includes(source));
    return merge(...atPort.map((source) => this.#fromPort(source)), this.#fromServer(overServer));
  });
  readonly #fromServer = (sources: readonly LiveSource[]): Observable<LiveNews> => {
    if (sources.length === 0) return EMPTY;
    const read = sources.map(({ id, use }) => `${id}:${use}`).join(',');
    return eventStream<LiveNews>(`${addressOf('followInstruments', sources[0]!.shop)}?read=${read}`, 'live');
  };
  readonly #fromPort = ({ id, use, scale }: LiveSource): Observable<LiveNews> =>
    serialReadings(this.#serial.of(id)!, use, use === 'amps-dc' ? scale : null).pipe(
      map((news) => ({ ...news, instrument: id, as: use, use, owner: '' })),
    );

  /** Only while an entry is open is anything asked of an instrument. */
  readonly #sources = computed((): Sources => {
    const step = this.#step();
    const shop = this.#shop();
    const own = step && this.#readWith.live(step.test);
    if (!own || !step || shop === null) return [];
    const { instrument, use } = own;
    const accuracy = instrument.uncertainty[TESTS[step.test].unit] ?? null;
    const sources: Sources[number][] = [{ role: 'value', shop, ...sourceOf(instrument), use, accuracy }];
    for (const role of LIVE_CONDITIONS) {
      if (!(role in step.asks) || step.askedWith?.[role]) continue;
      const beside = this.#readWith.reads(functionOfCondition(role));
      // one instrument reads one thing at a time
      if (beside && sources.every(({ id }) => id !== beside.id)) {
        const { unit } = INSTRUMENT_FUNCTIONS[functionOfCondition(role)];
        const accuracy = beside.uncertainty[unit] ?? null;
        sources.push({ role, shop, ...sourceOf(beside), use: functionOfCondition(role), accuracy });
      }
    }
    return sources;
  });

  readonly #told = toSignal(
    toObservable(this.#sources).pipe(
      distinctUntilChanged(isSame),
      switchMap((sources) =>
        (sources.length === 0 ? of(NONE) : this.#together(sources)).pipe(map((readings) => ({ sources, readings }))),
      ),
    ),
    { initialValue: { sources: [] as Sources, readings: NONE } },
  );
  /** All that is read just now, each by its role; never what was read for the step before. */
  readonly now = computed((): LiveReadingsNow => {
    const { sources, readings } = this.#told();
    return isSame(sources, this.#sources()) ? readings : NONE;
  });
  /** The step's own value; null where nothing reads it. */
  readonly reading = computed((): LiveReading | null => this.now().value ?? null);

  #together(sources: Sources): Observable<LiveReadingsNow> {
    const news = this.open()(sources).pipe(share());
    const each = sources.map((source) =>
      readingsOf(source, news.pipe(filter(({ instrument, as }) => instrument === source.id && as === source.use))).pipe(
        map((reading) => ({ [source.role]: reading }) as LiveReadingsNow),
      ),
    );
    return merge(...each).pipe(scan((all, one) => ({ ...all, ...one }), NONE));
  }
}
