import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { CLAMP_PLACES, INSTRUMENT_FUNCTIONS, OBSERVATIONS, TESTS, TEST_POINTS } from '@tetrad/core';
import { BAY_FUNCTIONS, VOLT_RANGES } from '@tetrad/core/practice';
import type { BayFunction, VoltRange } from '@tetrad/core/practice';
import { Figures } from '../../device/figures';
import { Button } from '../../kit/button';
import { Message } from '../../kit/message';
import { Segmented } from '../../kit/segmented';
import { Select } from '../../kit/select';
import type { BayView, Remedy } from '../../practice/practice-messages';
import { PracticeVisit } from '../../practice/practice-visit';

const RANGE_WORDS = { auto: 'Auto', '0.6': '600 mV', '6': '6 V', '60': '60 V' } as const;
const REMEDIES: readonly { readonly value: Remedy; readonly label: string }[] = [
  { value: 'leads', label: 'Change the leads' },
  { value: 'zero', label: 'Zero the clamp here' },
  { value: 'clamp', label: 'Take the large clamp' },
  { value: 'meter', label: 'Take the other meter' },
];

/** The instrument: what it is set to, what it shows, and the one press that writes it down. */
@Component({
  selector: 'tt-bay-instrument',
  imports: [Button, Message, Segmented, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <output class="figure value" aria-label="Display">{{ shown() }}</output>
    @if (recorded(); as words) {
      <p class="figure">{{ words }}</p>
    }
    @if (amps(); as words) {
      <p class="soft">{{ words }}</p>
    }
    <p>{{ taking() }}</p>
    <button pButton kind="main" [disabled]="!canWrite()" (click)="visit.say({ kind: 'write' })">Write it down</button>
    @if (visit.refused(); as why) {
      <tt-message>{{ why }}</tt-message>
    }
    <tt-select label="Set to" [options]="uses" [value]="bay().hands.use" (valueChange)="use($event!)" />
    @if (bay().hands.use === 'volts-dc') {
      <tt-segmented
        label="Range"
        [quiet]="true"
        [options]="ranges"
        [value]="bay().hands.range ?? 0"
        (valueChange)="range($event!)"
      />
    }
    <div class="row">
      <button
        pButton
        [attr.aria-pressed]="bay().hands.isRecording"
        (click)="visit.say({ kind: 'hands', hands: { isRecording: !bay().hands.isRecording } })"
      >
        Min/max
      </button>
      <tt-select
        label="Remedy for the instrument"
        [quiet]="true"
        placeholder="Leads, clamp"
        [options]="remedies"
        [value]="null"
        (valueChange)="mend($event)"
      />
    </div>
  `,
  styles: `
    :host {
      display: grid;
      align-content: start;
      gap: 10px;
    }
    p {
      margin: 0;
    }
    .value {
      font-size: var(--text-figure);
      line-height: 1.2;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px;
    }
    .row tt-select {
      flex: 1;
    }
  `,
})
export class BayInstrument {
  readonly #figures = inject(Figures);
  protected readonly visit = inject(PracticeVisit);
  readonly bay = input.required<BayView>();
  /** What stands on the display. */
  readonly shown = input.required<string>();
  protected readonly uses = BAY_FUNCTIONS.map((value) => ({ value, label: INSTRUMENT_FUNCTIONS[value].name }));
  protected readonly ranges = VOLT_RANGES.map((range) => ({
    value: range ?? 0,
    label: RANGE_WORDS[`${range ?? 'auto'}`],
  }));
  protected readonly remedies = REMEDIES;

  protected readonly recorded = computed(() => {
    const { recorded, shown } = this.bay();
    if (recorded === null) return null;
    const { plain } = this.#figures.format();
    const decimals = shown.unit === 'A' ? 0 : 2;
    const { lowest, highest, mean } = recorded;
    return `min ${plain(lowest, decimals)} · max ${plain(highest, decimals)} · mean ${plain(mean, decimals)}`;
  });
  protected readonly amps = computed(() => {
    const { clampAmps } = this.bay();
    return clampAmps === null ? null : `${this.#figures.format().plain(clampAmps, 1)} A in the clamp`;
  });
  protected readonly canWrite = computed(() => this.bay().test !== null || this.bay().seeing !== null);
  /** What is being read, or what is needed before anything can be. */
  protected readonly taking = computed(() => {
    const { test, seeing, hands } = this.bay();
    if (seeing !== null) return OBSERVATIONS[seeing].name;
    const of = hands.battery === null ? '' : `, battery ${hands.battery}`;
    if (test !== null) return TESTS[test].name + of;
    const isOn = hands.clamp !== null || (hands.red !== null && hands.black !== null);
    return isOn ? `Nothing in the trade is read here just now: ${where(hands)}.` : 'Put the leads on two points.';
  });

  protected use(use: BayFunction): void {
    this.visit.say({ kind: 'hands', hands: { use } });
  }
  protected range(range: number): void {
    this.visit.say({ kind: 'hands', hands: { range: range === 0 ? null : (range as VoltRange) } });
  }
  protected mend(what: Remedy | null): void {
    if (what) this.visit.say({ kind: 'mend', what });
  }
}

/** Where leads and clamp are, in words. */
function where({ red, black, clamp }: BayView['hands']): string {
  return [
    red && `red on ${TEST_POINTS[red]}`,
    black && `black on ${TEST_POINTS[black]}`,
    clamp && `clamp round ${CLAMP_PLACES[clamp]}`,
  ]
    .filter(Boolean)
    .join(', ');
}
