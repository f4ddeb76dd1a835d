import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChildren,
} from '@angular/core';
import { CONDITIONS, NOT_POSSIBLE, PATHS, TESTS, TICKS, assessCase, isPathTest, parseEntry } from '@tetrad/core';
import type {
  Assessment,
  Case,
  ConditionName,
  CriteriaSet,
  Derived,
  EntryUnit,
  Pass,
  Reading,
  ReadingConditions,
  ReadingStep,
  Situation,
  TickName,
  WaitKind,
} from '@tetrad/core';
import { GradeMark } from '../../parts/grade-mark';
import { Ruler } from '../../parts/ruler';
import { Figures } from '../../state/figures';
import { CircuitDrawing } from '../circuit/circuit-drawing';
import { knownConditions } from './known-conditions';
import { nextBattery } from './next-battery';
import { Instruments } from './instrument';
import { understand } from './understand';
import { WorkOut } from './work-out';

/** What is saved of one entry; the bench adds its id, step, pass and who. */
export type EnteredReading = Pick<Reading, 'value' | 'notPossible' | 'battery' | 'instrument' | 'uncertainty'> & {
  readonly conditions: Readonly<Record<string, string | number | boolean>>;
};

const NOT_POSSIBLE_WORDS: Readonly<Record<(typeof NOT_POSSIBLE)[number], string>> = {
  'did-not-crank': 'It did not crank',
  'did-not-start': 'It did not start',
  'no-access': 'No access',
  'no-equipment': 'No equipment',
  other: 'Another reason',
};
const CELLS_PER_12V = 6;

/** The entry of the step at hand: big, keyboard first, graded while it is typed. */
@Component({
  selector: 'tt-reading-entry',
  imports: [GradeMark, Ruler, CircuitDrawing, WorkOut],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './reading-entry.html',
  styleUrl: './reading-entry.css',
})
export class ReadingEntry {
  readonly #instruments = inject(Instruments);
  readonly #figures = inject(Figures);
  readonly step = input.required<ReadingStep>();
  readonly subject = input.required<Case>();
  readonly situation = input.required<Situation>();
  readonly criteria = input.required<CriteriaSet>();
  readonly pass = input<Pass>('before');
  readonly derived = input<Derived | null>(null);
  readonly ticked = input<ReadonlySet<TickName>>(new Set());
  /** Waits of this job that have run out. */
  readonly waitedFor = input<ReadonlySet<WaitKind>>(new Set());
  readonly entered = output<EnteredReading>();
  readonly tick = output<TickName>();
  readonly onward = output();

  /** The texts of the fields: one, or one for each cell. */
  protected readonly typed = signal<readonly string[]>(['']);
  protected readonly conditions = signal<Readonly<Record<string, string | number | boolean>>>({});
  /** Which battery of a pack; undefined for the pack as connected. */
  protected readonly battery = signal<number | undefined>(undefined);
  protected readonly askedWhy = signal(false);
  protected readonly notPossible = NOT_POSSIBLE.map((value) => ({ value, label: NOT_POSSIBLE_WORDS[value] }));
  protected readonly boxes = viewChildren<ElementRef<HTMLInputElement>>('box');

  protected readonly row = computed(() => TESTS[this.step().test]);
  protected readonly asks = computed(() =>
    (Object.keys(this.step().asks) as ConditionName[]).map((name) => ({ name, row: CONDITIONS[name] })),
  );
  protected readonly unit = computed(() => (this.row().unit === 'ohm' ? 'Ω' : this.row().unit));
  /** A hydrometer has no leads to place. */
  protected readonly hasLeads = computed(() => this.row().leads !== null);
  /** Speed is counted in peaks, a clamp gives volts: both can be worked out here. */
  protected readonly canWorkOut = computed(() => this.row().unit === 'rpm' || this.row().leads?.clamp !== undefined);
  protected readonly instrument = computed(() => this.#instruments.of(this.row().unit));
  protected readonly batteries = computed(() => {
    const { count = 1 } = this.subject().system.battery;
    return this.step().perBattery && count > 1 ? Array.from({ length: count }, (_, index) => index + 1) : [];
  });
  protected readonly ticks = computed(() =>
    [...this.step().ticks, ...(this.battery() === undefined ? [] : (['isolated'] as const))].map((name) => ({
      name,
      words: TICKS[name],
      holds: this.ticked().has(name),
    })),
  );

  /** Conditions that are not ticked yet. */
  protected readonly open = computed(() => this.ticks().filter(({ holds }) => !holds));

  protected readonly understood = computed(() =>
    understand(this.typed(), this.step().test, this.subject().system.nominalVolts),
  );

  /** The grade this reading would get, as it stands now. */
  protected readonly grade = computed((): Assessment | null => {
    const found = this.understood();
    if (found.state !== 'value') return null;
    const subject = this.subject();
    const reading = {
      ...this.#whole(found.value),
      id: 'typed-now',
      test: this.step().test,
      pass: this.pass(),
    } as Reading;
    return assessCase({ ...subject, readings: [...subject.readings, reading] }, this.criteria()).at(-1) ?? null;
  });

  protected readonly say = computed(() => this.#figures.voice().say);

  /** What this test says beside its grade: amps and floor of a load test, milliohms of a drop. */
  protected readonly aside = computed((): string => {
    const { test } = this.step();
    const derived = this.derived();
    const { amps: say, volts, ohms, smallVolts } = this.#figures.voice();
    if (test === 'load-test') {
      const load = this.row().known?.(this.situation(), this.battery()).amps;
      if (load === undefined) return 'The rating on the label tells how many amps: enter it above.';
      const floor = derived?.loadFloorVolts === undefined ? '' : `, floor ${volts(derived.loadFloorVolts)} now`;
      return `Load it with ${say(load)}${floor}.`;
    }
    const found = this.understood();
    const amps = Number(this.conditions()['amps']);
    if (!isPathTest(test)) return '';
    if (!(amps > 0)) return 'A drop means nothing without its current: enter the amps.';
    if (found.state !== 'value' || typeof found.value !== 'number') return '';
    const resistance = Math.abs(found.value) / amps;
    const full =
      PATHS[test].loadedBy === 'charging'
        ? this.subject().system.alternator?.ratedAmps
        : derived?.expectedDrawAmps?.max;
    return `${ohms(resistance)}${full ? `; at ${say(full)} it would be ${smallVolts(resistance * full)}` : ''}.`;
  });

  constructor() {
    effect(() => {
      const step = this.step();
      untracked(() => {
        this.#begin(step); // untracked: an answer of the server must not clear what is typed
        this.focus();
      });
    });
    effect(() => {
      const waitedFor = this.waitedFor();
      untracked(() => {
        const known = this.#known(this.step(), this.battery());
        if (waitedFor.size > 0) this.conditions.update((before) => ({ ...known, ...before }));
      });
    });
  }

  focus(): void {
    setTimeout(() => this.boxes()[0]?.nativeElement.focus({ preventScroll: true }));
  }

  /** Ticks every condition of this step at once. */
  holdAll(): void {
    for (const { name } of this.open()) this.tick.emit(name);
    this.focus();
  }

  protected readonly showMeant = (value: number): string => this.#figures.voice().quantity(value, this.row().unit);

  protected type(index: number, text: string): void {
    this.typed.update((before) => before.map((old, at) => (at === index ? text : old)));
  }

  protected set(name: ConditionName, value: string | boolean): void {
    this.conditions.update((before) => {
      const { [name]: _gone, ...rest } = before;
      const row = CONDITIONS[name];
      if (row.type !== 'number') return value === '' ? rest : { ...rest, [name]: value };
      const entry = parseEntry(String(value), row.unit as EntryUnit);
      return entry.ok && entry.value >= row.min && entry.value <= row.max ? { ...rest, [name]: entry.value } : rest;
    });
  }

  protected setInstrument(name: string): void {
    this.#instruments.set(this.row().unit, { name: name.trim() });
  }
  protected setUncertainty(typed: string): void {
    const entry = parseEntry(typed, this.row().unit as EntryUnit);
    this.#instruments.set(this.row().unit, { uncertainty: entry.ok && entry.value >= 0 ? entry.value : null });
  }

  protected take(index: number, text: string): void {
    this.type(index, text);
    this.boxes()[index]?.nativeElement.focus();
  }
  protected readonly fixed = (value: number): string => String(Number(value.toPrecision(6)));
  protected takeMeant(index: number, value: number): void {
    this.take(index, this.fixed(value));
  }

  protected submit(event: Event): void {
    event.preventDefault();
    const found = this.understood();
    if (found.state === 'empty') this.onward.emit();
    if (found.state === 'part') {
      const open = this.typed().findIndex((text) => text.trim() === '');
      this.boxes()[open]?.nativeElement.focus();
    }
    if (found.state !== 'value') return;
    this.entered.emit(this.#whole(found.value));
    this.#clear();
    const next = nextBattery(this.batteries(), this.battery());
    if (next !== undefined) this.chooseBattery(next);
  }

  protected cannot(why: string): void {
    const reason = NOT_POSSIBLE.find((word) => word === why);
    if (!reason) return;
    const battery = this.battery();
    this.entered.emit({ value: null, notPossible: reason, conditions: {}, ...(battery !== undefined && { battery }) });
    this.askedWhy.set(false);
  }

  #clear(): void {
    this.typed.update((before) => before.map(() => ''));
  }

  /** What a step begins with: its usual conditions, and the amps that are known already. */
  #begin(step: ReadingStep): void {
    const { system } = this.subject();
    const inSeries = system.battery.arrangement === 'series' ? (system.battery.count ?? 2) : 1;
    const cells = (system.nominalVolts / 12 / inSeries) * CELLS_PER_12V;
    this.typed.set(Array<string>(TESTS[step.test].kind === 'list' ? cells : 1).fill(''));
    this.askedWhy.set(false);
    this.battery.set(this.batteries()[0]);
    const begun = Object.entries(step.asks).filter(
      (entry): entry is [string, string | number | boolean] => entry[1] !== null,
    );
    this.conditions.set({ ...Object.fromEntries(begun), ...this.#known(step, this.battery()) });
  }

  /** Another battery of the pack: what is known of it takes the place of what was known of the last one. */
  protected chooseBattery(battery: number | undefined): void {
    this.battery.set(battery);
    this.conditions.update((before) => ({ ...before, ...this.#known(this.step(), battery) }));
  }

  #known(step: ReadingStep, battery: number | undefined): ReadingConditions {
    return knownConditions(step, this.situation(), this.waitedFor(), battery);
  }

  #whole(value: Exclude<Reading['value'], null>): EnteredReading {
    const { name, uncertainty } = this.instrument();
    const battery = this.battery();
    return {
      value,
      conditions: { ...this.conditions(), ...this.step().fixed },
      ...(battery !== undefined && { battery }),
      ...(name !== '' && { instrument: name }),
      ...(uncertainty !== null && typeof value === 'number' && { uncertainty }),
    };
  }
}
