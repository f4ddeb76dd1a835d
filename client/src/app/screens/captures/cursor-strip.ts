import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  model,
  output,
  signal,
} from '@angular/core';
import { TESTS } from '@tetrad/core';
import type { TestName } from '@tetrad/core';
import type { Capture, CaptureReading } from '@tetrad/core/capture-format';
import type { OpenCapture } from '../../captures/open-capture';
import type { Measured } from '../../captures/worker-messages';
import { Sentences } from '../../device/sentences';
import { Button } from '../../kit/button';
import { Segmented } from '../../kit/segmented';
import { Select } from '../../kit/select';
import type { Cursors } from './chart-dress';

/** What may be read between the cursors by hand, and from which channel. */
const BY_HAND: readonly { readonly test: TestName; readonly from: 'volts' | 'amps' }[] = [
  { test: 'resting-voltage', from: 'volts' },
  { test: 'cranking-voltage', from: 'volts' },
  { test: 'starter-draw', from: 'amps' },
  { test: 'recovery-voltage', from: 'volts' },
  { test: 'charging-voltage', from: 'volts' },
  { test: 'battery-current', from: 'amps' },
];
/** A figure taken by hand is as far off as the instrument may be. */
const SHARE = { volts: 0.005, amps: 0.02 } as const;

/** Two cursors: what lies between them, their difference, rate and slope; and a reading taken there by hand. */
@Component({
  selector: 'tt-cursor-strip',
  imports: [Button, Segmented, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-segmented
      label="A click sets"
      [options]="[
        { value: 'a', label: 'A' },
        { value: 'b', label: 'B' },
      ]"
      [(value)]="moving"
    />
    @if (figures(); as list) {
      @for (figure of list; track figure.name) {
        <p>
          <span class="soft small">{{ figure.name }}</span><br /><span class="figure">{{ figure.value }}</span>
        </p>
      }
      <tt-select label="Use as" placeholder="a reading" [options]="tests()" [(value)]="test" />
      <button pButton [disabled]="test() === null" (click)="take()">Use</button>
      <button pButton kind="bare" (click)="cleared.emit()">Clear</button>
    } @else {
      <p class="soft small hint">
        Click sets a cursor; wheel, pinch or + and − zoom, drag pans, arrows move the cursor. Between A and B stand
        difference, rate and slope.
      </p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 16px;
      min-height: 76px;
      padding: 8px 12px;
      border-top: 1px solid var(--line);
    }
    .small {
      font-size: var(--text-xs);
    }
    .hint {
      max-width: 48ch;
    }
  `,
})
export class CursorStrip {
  readonly #voice = inject(Sentences);
  readonly open = input.required<OpenCapture>();
  readonly capture = input.required<Capture>();
  readonly cursors = input.required<Cursors>();
  readonly moving = model<'a' | 'b' | null>('a');
  readonly cleared = output();
  readonly taken = output<CaptureReading>();
  protected readonly test = signal<TestName | null>(null);
  readonly #measured = signal<Measured | null>(null);

  protected readonly tests = computed(() =>
    BY_HAND.filter(({ from }) => from === 'volts' || this.#measured()?.amps).map(({ test }) => ({
      value: test as TestName | null,
      label: TESTS[test].name,
    })),
  );
  protected readonly figures = computed(() => {
    const measured = this.#measured();
    if (!measured) return null;
    const voice = this.#voice.voice();
    const { seconds, volts, amps, ohm } = measured;
    const rate = seconds > 0 ? (volts.last - volts.first) / seconds : null;
    return [
      { name: 'B − A', value: `${voice.plain(seconds, seconds < 0.1 ? 4 : 3)} s` },
      { name: 'Mean', value: voice.volts(volts.mean) + (amps ? ` · ${voice.amps(amps.mean)}` : '') },
      {
        name: 'Difference',
        value: voice.volts(volts.last - volts.first) + (amps ? ` · ${voice.amps(amps.last - amps.first)}` : ''),
      },
      ...(rate === null ? [] : [{ name: 'Rate', value: `${voice.plain(rate, 2)} V/s` }]),
      ...(ohm === null ? [] : [{ name: 'Slope', value: voice.ohms(ohm) }]),
    ];
  });

  constructor() {
    effect(() => {
      const { a, b } = this.cursors();
      const open = this.open();
      this.capture(); // understood anew, the figures are others
      if (a === null || b === null) this.#measured.set(null);
      else void open.measure(a, b).then((measured) => this.#measured.set(measured));
    });
  }

  protected take(): void {
    const test = this.test();
    const measured = this.#measured();
    const { a, b } = this.cursors();
    const row = BY_HAND.find((one) => one.test === test);
    const channel = row && measured?.[row.from];
    if (!row || !channel || a === null || b === null) return;
    const value = Number((row.test === 'battery-current' ? -channel.mean : channel.mean).toPrecision(5));
    this.taken.emit({
      id: 'by-hand',
      test: row.test,
      value,
      uncertainty: Number((Math.abs(value) * SHARE[row.from]).toPrecision(2)),
      fromS: Math.min(a, b),
      toS: Math.max(a, b),
      confidence: 1,
      ...(row.test === 'cranking-voltage' && { conditions: { method: 'scope' as const, seconds: Math.abs(b - a) } }),
    });
  }
}
