import type { OnInit } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { CHEMISTRY_WORDS, parseEntry } from '@tetrad/core';
import type { EntryUnit } from '@tetrad/core';
import { workOut } from '@tetrad/core/desk';
import type { FigureInput, Sum, SumEntries, SumInput, SumResult } from '@tetrad/core/desk';
import { InputText } from 'primeng/inputtext';
import { Figures } from '../../device/figures';
import { Button } from '../../kit/button';
import { Field } from '../../kit/field';
import { Figure } from '../../kit/forms/figure';
import { TextValue } from '../../kit/forms/text-value';
import { Select } from '../../kit/select';
import { DeskPicture } from './desk-picture';

/** Units that an entry may be typed with a prefix in. */
const TYPED: Readonly<Record<string, EntryUnit>> = {
  V: 'V',
  A: 'A',
  ohm: 'ohm',
  Ah: 'Ah',
  '°C': '°C',
  rpm: 'rpm',
  SG: 'SG',
  '%': '%',
  h: 'h',
};

/** Words that are told otherwise than the sum holds them. */
const WORDS: Readonly<Record<string, string>> = CHEMISTRY_WORDS;
/** A figure that was worked out is no finer than its meter. */
const USED_DIGITS = 4;

/** One sum: entries, formula, results, and its picture where one helps. */
@Component({
  selector: 'tt-desk-sum',
  imports: [Button, DeskPicture, Field, Figure, InputText, Select, TextValue],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section [attr.aria-label]="sum().name">
      <h2>{{ sum().name }}</h2>
      <div class="entries">
        @for (entry of sum().inputs; track entry.name) {
          @if (entry.kind === 'word') {
            <tt-select
              [label]="entry.label"
              [options]="optionsOf(entry)"
              [value]="textOf(entry)"
              (valueChange)="type(entry, $event!)"
            />
          } @else {
            <tt-field [label]="entry.label" [unit]="entry.unit" [error]="faults()[entry.name] ?? null">
              <input pInputText ttFigure [ttText]="textOf(entry)" (typed)="type(entry, $event)" />
            </tt-field>
          }
        }
      </div>
      <div role="status">
        <dl>
          @for (one of shown(); track one.label) {
            <dt>{{ one.label }}</dt>
            <dd>
              <span class="figure">{{ one.words }}</span>
              @if (one.note) {
                <span class="soft">{{ one.note }}</span>
              }
              @if ($index === reads() && one.value !== null) {
                <button pButton kind="main" class="no-print" (click)="used.emit(rounded(one.value))">
                  Use in this job
                </button>
              }
            </dd>
          }
        </dl>
      </div>
      <p class="soft">{{ sum().formula }}. {{ sum().note }}</p>
      @if (sum().picture) {
        <button pButton kind="link" class="no-print" [attr.aria-expanded]="isDrawn()" (click)="isDrawn.set(!isDrawn())">
          Picture
        </button>
        @if (isDrawn()) {
          <tt-desk-picture [sum]="sum()" [entries]="entries()" />
        }
      }
    </section>
  `,
  styles: `
    section {
      padding: 16px 0;
      border-top: 1px solid var(--line-soft);
      break-inside: avoid;
    }
    h2 {
      margin: 0 0 8px;
      font-size: var(--text-base);
      color: var(--ink);
    }
    .entries {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
      gap: 8px 16px;
      align-items: start;
    }
    dl {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 4px 16px;
      margin: 12px 0;
    }
    dt {
      align-self: baseline;
    }
    dd {
      margin: 0;
      text-align: right;
    }
    dd .figure {
      font-size: var(--text-lg);
    }
    dd .soft {
      display: block;
    }
    p {
      margin: 0;
    }
  `,
})
export class DeskSum implements OnInit {
  readonly #figures = inject(Figures);
  readonly sum = input.required<Sum>();
  /** What the address brought along. */
  readonly given = input<SumEntries>({});
  /** The place of the result that a job takes as its reading; null where none does. */
  readonly reads = input<number | null>(null);
  readonly changed = output<SumEntries>();
  readonly used = output<number>();
  protected readonly isDrawn = signal(false);
  readonly #texts = signal<Readonly<Record<string, string>>>({});

  protected readonly entries = computed((): SumEntries => {
    const texts = this.#texts();
    return Object.fromEntries(
      this.sum().inputs.map((one) => [
        one.name,
        one.kind === 'word' ? (texts[one.name] ?? one.usual) : figureOf(one, texts[one.name]),
      ]),
    );
  });
  readonly #worked = computed(() => workOut(this.sum(), this.entries()));
  protected readonly faults = computed(() => {
    const worked = this.#worked();
    return worked.ok ? {} : worked.faults;
  });
  protected readonly shown = computed(() => {
    const worked = this.#worked();
    return worked.ok ? worked.results.map((one) => ({ ...one, words: this.#words(one) })) : [];
  });

  ngOnInit(): void {
    const given = Object.entries(this.given()).map(([name, value]) => [name, String(value)] as const);
    this.#texts.set(Object.fromEntries(given));
  }
  protected textOf({ name, usual }: SumInput): string {
    return this.#texts()[name] ?? String(usual);
  }
  protected optionsOf(entry: SumInput): readonly { value: string; label: string }[] {
    return entry.kind === 'word' ? entry.words.map((value) => ({ value, label: WORDS[value] ?? value })) : [];
  }
  protected type({ name }: SumInput, text: string): void {
    this.#texts.update((before) => ({ ...before, [name]: text }));
    if (this.#worked().ok) this.changed.emit(this.entries());
  }

  protected readonly rounded = (value: number): number => Number(value.toPrecision(USED_DIGITS));
  #words({ value, unit, decimals }: SumResult): string {
    if (value === null) return '–';
    const format = this.#figures.format();
    if (unit === 'ohm') return format.ohms(value);
    if (unit === '°C') return format.celsius(value);
    return `${format.plain(value, decimals)} ${unit === 'd' ? 'days' : unit}`.trim();
  }
}

/** A bare number is in the unit of the entry; what is none is left to the sum to name. */
function figureOf({ unit, usual }: FigureInput, text: string | undefined): number {
  if (text === undefined) return usual;
  const entry = parseEntry(text, TYPED[unit] ?? '');
  return entry.ok ? entry.value : Number.NaN;
}
