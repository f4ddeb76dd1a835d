import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { CLAMP_SCALES_MV_PER_A, clampAmps, crankingRpm, parseEntry } from '@tetrad/core';
import type { TestName } from '@tetrad/core';
import { Figures } from '../../state/figures';

/** Works a reading out of what the instrument shows: rpm from compression peaks, amps from a clamp's volts. */
@Component({
  selector: 'tt-work-out',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details>
      <summary class="btn bare soft">{{ kind() === 'rpm' ? 'From peaks …' : 'From the clamp’s volts …' }}</summary>
      <div class="row">
        @if (kind() === 'rpm') {
          <label class="field">
            Peaks per second
            <input
              class="figure"
              inputmode="decimal"
              [value]="shown()"
              (input)="shown.set($any($event.target).value)"
            />
          </label>
          <label class="field">
            Cylinders
            <input
              class="figure"
              inputmode="numeric"
              [value]="count()"
              (input)="count.set($any($event.target).value)"
            />
          </label>
        } @else {
          <label class="field">
            Meter shows, V
            <input
              class="figure"
              inputmode="decimal"
              [value]="shown()"
              (input)="shown.set($any($event.target).value)"
            />
          </label>
          <label class="field">
            Scale
            <select (change)="scale.set(+$any($event.target).value)">
              @for (entry of scales; track entry) {
                <option [value]="entry" [selected]="entry === scale()">{{ entry }} mV per A</option>
              }
            </select>
          </label>
        }
        <button type="button" class="btn" [disabled]="result() === null" (click)="taken.emit(result()!)">
          {{ result() === null ? 'Take it' : 'Take ' + words() }}
        </button>
      </div>
    </details>
  `,
  styles: `
    summary {
      list-style: none;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 16px;
      align-items: end;
    }
    input {
      width: 128px;
    }
  `,
})
export class WorkOut {
  readonly #figures = inject(Figures);
  readonly test = input.required<TestName>();
  readonly cylinders = input<number | undefined>();
  readonly taken = output<number>();

  protected readonly kind = computed(() => (this.test() === 'cranking-speed' ? 'rpm' : 'amps'));
  protected readonly scales = CLAMP_SCALES_MV_PER_A;
  protected readonly shown = signal('');
  protected readonly scale = signal<number>(CLAMP_SCALES_MV_PER_A[0]);
  protected readonly count = linkedSignal(() => String(this.cylinders() ?? 4));

  protected readonly result = computed((): number | null => {
    const entry = parseEntry(this.shown(), this.kind() === 'rpm' ? '' : 'V');
    if (!entry.ok || entry.value <= 0) return null;
    if (this.kind() === 'amps') return clampAmps(entry.value, this.scale());
    const cylinders = Number(this.count());
    return Number.isInteger(cylinders) && cylinders >= 1 && cylinders <= 16
      ? crankingRpm(entry.value, cylinders)
      : null;
  });
  protected readonly words = computed(() =>
    this.#figures.voice().quantity(this.result() ?? 0, this.kind() === 'rpm' ? 'rpm' : 'A'),
  );
}
