import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { TESTS } from '@tetrad/core';
import type { TestName } from '@tetrad/core';
import { Figures } from '../../../device/figures';
import { Button } from '../../../kit/button';
import type { LiveReading } from './live-reading';

/** The value of an instrument beside the entry, large; one key keeps it. */
@Component({
  selector: 'tt-live-value',
  imports: [Button],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let now = live();
    <div class="live" [class.stale]="isOld()">
      <p class="soft name">{{ now.name }}, live</p>
      @switch (now.state) {
        @case ('value') {
          <p class="line">
            <output class="figure value" aria-label="Live value">{{ words() }}</output>
            <span class="state" [class.steady]="now.isSteady">{{ now.isSteady ? '● steady' : '◌ moving' }}</span>
            <button pButton [kind]="now.isSteady ? 'main' : 'plain'" [disabled]="now.isStale" (click)="kept.emit()">
              Keep
            </button>
          </p>
          <p class="soft">{{ range() }}</p>
        }
        @case ('over-range') {
          <p class="line">
            <span class="figure value">OL</span> Over range: choose a larger range, or check the leads.
          </p>
        }
        @case ('lost') {
          <p role="alert">Not read: {{ now.why }}. It is tried again; type what the display shows meanwhile.</p>
        }
        @default {
          <p class="soft">Connecting …</p>
        }
      }
      @if (now.usedBy; as who) {
        <p role="alert">{{ who }} reads it for something else just now.</p>
      }
    </div>
  `,
  styles: `
    .live {
      display: grid;
      gap: 4px;
      padding: 8px 12px;
      border-left: 3px solid var(--accent);
    }
    .stale {
      border-color: var(--line);
      color: var(--ink-soft);
    }
    p {
      margin: 0;
    }
    .line {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 16px;
    }
    .value {
      font-size: var(--text-figure);
      line-height: 1.2;
    }
    .state {
      color: var(--ink-soft);
    }
    .steady {
      color: var(--within);
    }
    button {
      margin-left: auto;
    }
  `,
})
export class LiveValue {
  readonly #figures = inject(Figures);
  readonly live = input.required<LiveReading>();
  readonly test = input.required<TestName>();
  readonly kept = output();
  protected readonly isOld = computed(() => {
    const now = this.live();
    return now.state === 'lost' || (now.state === 'value' && now.isStale);
  });
  protected readonly words = computed(() => {
    const now = this.live();
    return now.state === 'value' ? this.#write(now.value, now.resolution) : '';
  });
  protected readonly range = computed(() => {
    const now = this.live();
    if (now.state !== 'value') return '';
    const [low, high] = [now.lowest, now.highest].map((value) => this.#write(value, now.resolution));
    const off = now.accuracy === null ? '' : ` · ±${this.#figures.format().asGiven(now.accuracy)} ${this.#unit()}`;
    return `lowest ${low}, highest ${high}${off}`;
  });

  #write(value: number, resolution: number): string {
    const { unit, isSmallVolts } = TESTS[this.test()];
    return this.#figures.format().shown(value, unit, resolution, isSmallVolts);
  }
  #unit(): string {
    const { unit } = TESTS[this.test()];
    return unit === 'ohm' ? 'Ω' : unit;
  }
}
