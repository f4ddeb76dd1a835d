/** What Enter keeps of instruments: never what was read for the step before, and of a count-down what was sustained. */
import { TestBed } from '@angular/core/testing';
import { signal } from '@angular/core';
import type { ReadingStep } from '@tetrad/core';
import { LiveReadings } from '../src/app/instruments/live/live-readings';
import type { LiveReadingsNow } from '../src/app/instruments/live/live-readings';
import { LiveKept } from '../src/app/screens/bench/step/live-kept';
import { StepReading } from '../src/app/screens/bench/step/step-reading';
import { StepWaits } from '../src/app/screens/bench/step/step-waits';
import { timerAt } from '../src/app/waiting/timer-state';
import type { TimerNow } from '../src/app/waiting/timer-state';

const stepOf = (test: string, asks: object, waits: readonly string[] = []): ReadingStep =>
  ({ kind: 'reading', test, asks, waits }) as unknown as ReadingStep;
const CRANKING = stepOf('cranking-voltage', { method: null, seconds: null }, ['crank']);

let step: ReturnType<typeof signal<ReadingStep>>;
const battery = signal(0);
const attempts = signal<readonly unknown[]>([]);
const now = signal<LiveReadingsNow>({});
const count = signal<TimerNow | null>(null);
let kept: LiveKept;

beforeEach(() => {
  jest.useFakeTimers({ now: 1_000_000 });
  step = signal(CRANKING);
  battery.set(0);
  attempts.set([]);
  now.set({});
  count.set(null);
  const reading = () => now().value ?? null;
  TestBed.configureTestingModule({
    providers: [
      LiveKept,
      { provide: LiveReadings, useValue: { now, reading } },
      { provide: StepReading, useValue: { step, battery, attempts } },
      { provide: StepWaits, useValue: { count } },
    ],
  });
  kept = TestBed.inject(LiveKept);
  TestBed.tick();
  jest.advanceTimersByTime(1000);
});
afterEach(() => jest.useRealTimers());

const one = (value: number, resolution = 0.01) => ({
  id: 'value' as const,
  state: 'value' as const,
  name: 'Meter',
  usedBy: null,
  value,
  kept: value,
  atMs: performance.now(),
  resolution,
  accuracy: 0.02,
  isSteady: true,
  isStale: false,
  lowest: value,
  highest: value,
  instrument: 'Meter (Maker, Model, 1, 0)',
});
function shows(volts: number, beside: Record<string, number> = {}): void {
  const others = Object.entries(beside).map(([role, value]) => [role, one(value, 0.1)]);
  now.set({ value: one(volts), ...Object.fromEntries(others) });
  TestBed.tick();
}
/** A count-down from its first second on, with what the instruments show in each of its phases. */
function countDown(kind: 'crank' | 'load', volts: Record<string, number>, amps?: Record<string, number>): void {
  const timer = { id: 'count', kind, startedAt: new Date(0).toISOString(), seconds: kind === 'crank' ? 15 : 20 };
  for (let ms = 0; ms < timer.seconds * 1000; ms += 250) {
    const at = timerAt(timer as never, ms);
    count.set(at);
    const phase = at.state.over ? 'over' : at.state.phase.name;
    jest.advanceTimersByTime(250);
    shows(volts[phase] ?? 12.6, amps ? { amps: amps[phase] ?? 0 } : {});
  }
}

it('keeps what the display shows, with what is read beside it', () => {
  step.set(stepOf('drop-starter-ground', { amps: null }));
  TestBed.tick();
  jest.advanceTimersByTime(1000);
  shows(0.062, { amps: -184.6 });
  expect(kept.kept()).toMatchObject({ value: 0.062, conditions: { amps: 184.6 }, from: null });
});

it.each<[string, () => void]>([
  ['another step', () => step.set(stepOf('conductance', {}))],
  ['the next battery of a pack', () => battery.set(2)],
  ['a reading that was just saved', () => attempts.set([{}])],
])('nothing is kept right after %s: the leads are still where they were', (_what, change) => {
  shows(12.61);
  expect(kept.kept()).not.toBeNull();
  change();
  TestBed.tick();
  shows(12.61);
  expect(kept.kept()).toBeNull();
  jest.advanceTimersByTime(800);
  shows(12.61);
  expect(kept.kept()).not.toBeNull();
});

it('a stale value, and none at all, is not kept', () => {
  expect(kept.kept()).toBeNull();
  now.set({ value: { ...one(12.61), isStale: true } });
  expect(kept.kept()).toBeNull();
});

it('of a crank it keeps the mean while the count said read, not the dip, and says how it was read', () => {
  countDown('crank', { crank: 8.4, read: 9.87, stop: 12.2 });
  expect(kept.kept()).toMatchObject({
    value: 9.87,
    conditions: { method: 'watched', seconds: 8 },
    from: { how: 'count', lowest: 8.4, highest: 9.87 },
  });
});

it('volts and amps of a drop are means of the same moments', () => {
  step.set(stepOf('drop-starter-ground', { amps: null }, ['crank']));
  TestBed.tick();
  jest.advanceTimersByTime(1000);
  countDown('crank', { crank: 0.3, read: 0.062 }, { crank: 420, read: 185 });
  expect(kept.kept()).toMatchObject({ value: 0.06, conditions: { amps: 185 } });
});

it('a load test is timed by its own current: volts at the end, under load', () => {
  step.set(stepOf('load-test', { amps: null, seconds: 15 }, ['load']));
  TestBed.tick();
  jest.advanceTimersByTime(1000);
  for (let at = 0; at < 60; at++) {
    jest.advanceTimersByTime(250);
    shows(10.8 - at / 100, { amps: 280 });
  }
  jest.advanceTimersByTime(250);
  shows(12.3, { amps: 0 });
  expect(kept.kept()).toMatchObject({
    value: expect.closeTo(10.21, 1),
    conditions: { amps: 280, seconds: 15 },
    from: { how: 'load' },
  });
});

it('the difference between post and module is taken at one moment', () => {
  step.set(stepOf('module-voltage', { offsetVolts: null }));
  TestBed.tick();
  jest.advanceTimersByTime(1000);
  shows(12.5, { offsetVolts: 12.61 });
  expect(kept.kept()?.conditions).toEqual({ offsetVolts: 0.11 });
});
