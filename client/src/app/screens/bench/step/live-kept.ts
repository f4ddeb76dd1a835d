/**
 * What Enter keeps of what is read live: the figures of a count-down's window, those of a load timed by its own current,
 * or what the instruments show just now.
 */
import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { LoadTiming, ReadWindow, TESTS } from '@tetrad/core';
import type { LiveCondition, LoadTimed, ReadingConditions, ReadingStep, WindowFigures } from '@tetrad/core';
import type { KeptLive } from '../../../instruments/live/kept-live';
import { LiveReadings } from '../../../instruments/live/live-readings';
import type { LiveReading } from '../../../instruments/live/live-source';
import type { TimerNow } from '../../../waiting/timer-state';
import { StepReading } from './step-reading';
import { StepWaits } from './step-waits';

/** Phases of a count in which the starter turns. */
const CRANKS: ReadonlySet<string> = new Set(['crank', 'read']);

type LiveValueNow = Extract<LiveReading, { state: 'value' }>;
/** Everything of one count-down. */
interface Counted {
  readonly timer: string;
  readonly seconds: number;
  readonly value: ReadWindow;
  readonly amps: ReadWindow;
}

/**
 * After a step, a battery or a save the leads are moved: what the display still shows is of before. Nothing is kept so
 * soon, so that a second Enter saves nothing twice, ms.
 */
const LEADS_MOVE_MS = 700;

@Injectable()
export class LiveKept {
  readonly #live = inject(LiveReadings);
  readonly #waits = inject(StepWaits);
  readonly #reading = inject(StepReading);
  #counted: Counted | null = null;
  #loading: LoadTiming | null = null;
  readonly #count = signal<{
    readonly value: WindowFigures;
    readonly amps: WindowFigures | null;
    seconds: number;
  } | null>(null);
  readonly #load = signal<LoadTimed | null>(null);

  readonly #fromMs = signal(0);

  constructor() {
    effect(() => {
      this.#reading.step();
      this.#reading.battery();
      void this.#reading.attempts().length; // what was kept begins anew
      untracked(() => this.#begin());
    });
    effect(() => {
      const { value, amps } = this.#live.now();
      const count = untracked(() => this.#waits.count());
      untracked(() => {
        if (value?.state !== 'value' || value.isStale) return;
        if (count && !count.state.over) this.#addCounted(count, value, amps);
        if (this.#loading && amps?.state === 'value')
          this.#load.set(this.#loading.add({ volts: value.value, amps: amps.value, atMs: performance.now() }));
      });
    });
  }

  /** Null where nothing can be kept. */
  readonly kept = computed((): KeptLive | null => {
    const value = this.#live.reading();
    const step = this.#reading.step();
    if (!step || value?.state !== 'value' || value.isStale || value.atMs - this.#fromMs() < LEADS_MOVE_MS) return null;
    const common = { resolution: value.resolution, accuracy: value.accuracy, instrument: value.instrument };
    const beside = this.#beside(step, value);
    const load = this.#load();
    if (load && load.seconds > 1)
      return {
        ...common,
        value: rounded(load.volts, value.resolution),
        conditions: asked(step, { ...beside, amps: rounded(load.amps, 1), seconds: Math.round(load.seconds) }),
        from: { how: 'load' },
      };
    const count = this.#count();
    if (count) {
      const { sustained, lowest, highest } = count.value;
      const amps = count.amps === null ? {} : { amps: rounded(Math.abs(count.amps.sustained), 0.1) };
      const how = { method: 'watched', seconds: count.seconds } as const;
      return {
        ...common,
        value: rounded(sustained, value.resolution),
        conditions: asked(step, { ...beside, ...amps, ...how }),
        from: {
          how: 'count',
          lowest: rounded(lowest, value.resolution),
          highest: rounded(highest, value.resolution),
        },
      };
    }
    return { ...common, value: value.kept, conditions: beside, from: null };
  });
  #begin(): void {
    const step = this.#reading.step();
    this.#fromMs.set(performance.now());
    this.#counted = null;
    this.#count.set(null);
    this.#load.set(null);
    this.#loading = step?.waits?.includes('load') ? new LoadTiming(null) : null;
  }

  #addCounted({ timer, row, state }: TimerNow, value: LiveValueNow, amps: LiveReading | undefined): void {
    if (timer.kind !== 'crank' || state.over || !CRANKS.has(state.phase.name)) return;
    this.#counted =
      this.#counted?.timer === timer.id
        ? this.#counted
        : {
            timer: timer.id,
            seconds: row.phases.reduce((sum, { name, seconds }) => sum + (CRANKS.has(name) ? seconds : 0), 0),
            value: new ReadWindow(),
            amps: new ReadWindow(),
          };
    const counted = this.#counted;
    const isSustained = state.phase.read === true;
    counted.value.add(value.value, isSustained);
    if (amps?.state === 'value' && !amps.isStale) counted.amps.add(amps.value, isSustained);
    const figures = counted.value.figures;
    if (figures) this.#count.set({ value: figures, amps: counted.amps.figures, seconds: counted.seconds });
  }

  /** What is read beside it, of what the step asks for. */
  #beside(step: ReadingStep, value: LiveValueNow): ReadingConditions {
    const now = this.#live.now();
    const figure = (role: LiveCondition): number | null => {
      const one = now[role];
      return one?.state === 'value' && !one.isStale ? one.kept : null;
    };
    const [amps, rpm, target, post] = [figure('amps'), figure('rpm'), figure('commandedVolts'), figure('offsetVolts')];
    return asked(step, {
      ...(amps !== null && { amps: Math.abs(amps) }),
      ...(rpm !== null && { rpm }),
      ...(target !== null && { commandedVolts: target }),
      ...(post !== null && { offsetVolts: rounded(post - value.kept, value.resolution) }),
    });
  }
}

const rounded = (value: number, resolution: number): number =>
  Number((Math.round(value / resolution) * resolution).toFixed(Math.max(0, Math.ceil(-Math.log10(resolution)))));

/** Only what the step asks for; the test is told nothing else. */
const asked = ({ asks, test }: ReadingStep, conditions: ReadingConditions): ReadingConditions =>
  Object.fromEntries(
    Object.entries(conditions).filter(([name]) => name in asks && TESTS[test].conditions.some((one) => one === name)),
  );
