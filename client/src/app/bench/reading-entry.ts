import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import {
  CONDITIONS,
  NOT_POSSIBLE,
  TESTS,
  assessCase,
  formatQuantity,
  outsidePhysics,
  packCca,
  parseEntry,
} from '@tetrad/core';
import type { Assessment, Case, ConditionName, CriteriaSet, EntryUnit, Reading } from '@tetrad/core';
import { entryProblem } from '../parts/entry-problem';
import { GradeMark } from '../parts/grade-mark';
import { Ruler } from '../parts/ruler';
import type { BenchStep } from './bench-steps';

export interface EnteredReading {
  readonly value: number | null;
  readonly notPossible?: (typeof NOT_POSSIBLE)[number];
  readonly conditions: Readonly<Record<string, string | number | boolean>>;
}

/** What stands in the entry, understood. */
type Understood =
  | { readonly state: 'empty' }
  | { readonly state: 'unclear'; readonly problem: string }
  | { readonly state: 'impossible'; readonly problem: string; readonly meant: number | null }
  | { readonly state: 'value'; readonly value: number };

const NOT_POSSIBLE_WORDS: Readonly<Record<(typeof NOT_POSSIBLE)[number], string>> = {
  'did-not-crank': 'It did not crank',
  'did-not-start': 'It did not start',
  'no-access': 'No access',
  'no-equipment': 'No equipment',
  other: 'Another reason',
};

/** The entry of the step at hand: big, keyboard first, graded while it is typed. */
@Component({
  selector: 'tt-reading-entry',
  imports: [GradeMark, Ruler],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './reading-entry.html',
  styleUrl: './reading-entry.css',
})
export class ReadingEntry {
  readonly step = input.required<BenchStep>();
  readonly subject = input.required<Case>();
  readonly criteria = input.required<CriteriaSet>();
  readonly entered = output<EnteredReading>();

  protected readonly typed = signal('');
  protected readonly conditions = signal<Readonly<Record<string, string | number | boolean>>>({});
  protected readonly askedWhy = signal(false);
  protected readonly notPossible = NOT_POSSIBLE.map((value) => ({ value, label: NOT_POSSIBLE_WORDS[value] }));
  protected readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');

  protected readonly row = computed(() => TESTS[this.step().test]);
  protected readonly asks = computed(() =>
    (Object.keys(this.step().asks) as ConditionName[]).map((name) => ({ name, row: CONDITIONS[name] })),
  );
  protected readonly unit = computed(() => (this.row().unit === 'ohm' ? 'Ω' : this.row().unit));

  protected readonly understood = computed((): Understood => {
    const entry = parseEntry(this.typed(), this.row().unit as EntryUnit);
    if (!entry.ok)
      return entry.fault.code === 'empty'
        ? { state: 'empty' }
        : { state: 'unclear', problem: entryProblem(entry.fault) };
    const nominal = this.subject().system.nominalVolts;
    const wrong = outsidePhysics({ test: this.step().test, value: entry.value }, nominal);
    if (wrong === null) return { state: 'value', value: entry.value };
    return {
      state: 'impossible',
      problem: `${entry.value} ${wrong.unit} cannot be: ${wrong.min} to ${wrong.max} ${wrong.unit} on a ${nominal} V system.`,
      meant: wrong.slip?.value ?? null,
    };
  });

  /** The grade this reading would get, as it stands now. */
  protected readonly grade = computed((): Assessment | null => {
    const found = this.understood();
    if (found.state !== 'value') return null;
    const reading = this.#reading(found.value);
    const subject = this.subject();
    return assessCase({ ...subject, readings: [...subject.readings, reading] }, this.criteria()).at(-1) ?? null;
  });

  constructor() {
    effect(() => {
      const { asks } = this.step();
      untracked(() => {
        const { battery } = this.subject().system; // untracked: an answer of the server must not clear what is typed
        this.typed.set('');
        this.askedWhy.set(false);
        const begun = Object.entries(asks).filter(
          (entry): entry is [string, string | number | boolean] => entry[1] !== null,
        );
        const cca = packCca(battery);
        const load: Record<string, number> =
          this.step().test === 'load-test' && cca !== null ? { amps: Math.round(cca / 2) } : {};
        this.conditions.set({ ...Object.fromEntries(begun), ...load });
        setTimeout(() => this.box().nativeElement.focus({ preventScroll: true }));
      });
    });
  }

  protected readonly showMeant = (value: number): string => formatQuantity(value, this.row().unit);

  protected set(name: ConditionName, value: string | boolean): void {
    this.conditions.update((before) => {
      const { [name]: _gone, ...rest } = before;
      const row = CONDITIONS[name];
      if (row.type !== 'number') return value === '' ? rest : { ...rest, [name]: value };
      const entry = parseEntry(String(value), row.unit as EntryUnit);
      return entry.ok && entry.value >= row.min && entry.value <= row.max ? { ...rest, [name]: entry.value } : rest;
    });
  }

  protected takeMeant(value: number): void {
    this.typed.set(String(Number(value.toPrecision(6))));
    this.box().nativeElement.focus();
  }

  protected submit(event: Event): void {
    event.preventDefault();
    const found = this.understood();
    if (found.state !== 'value') return;
    this.entered.emit({ value: found.value, conditions: this.conditions() });
    this.typed.set('');
  }

  protected cannot(why: string): void {
    const reason = NOT_POSSIBLE.find((word) => word === why);
    if (!reason) return;
    this.entered.emit({ value: null, notPossible: reason, conditions: {} });
    this.askedWhy.set(false);
  }

  #reading(value: number): Reading {
    const { test, fixed } = this.step();
    return {
      id: 'typed-now',
      test,
      value,
      conditions: { ...this.conditions(), ...fixed } as NonNullable<Reading['conditions']>,
    };
  }
}
