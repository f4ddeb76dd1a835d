import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { INSTRUMENT_FUNCTIONS, LIVE_CONDITIONS, TESTS, functionOf, functionOfCondition } from '@tetrad/core';
import type { TestName } from '@tetrad/core';
import { Figures } from '../../device/figures';
import { Button } from '../../kit/button';
import { Api } from '../../api/api';
import { selectShop } from '../../state/session/session.feature';
import { Store } from '@ngrx/store';
import type { LiveReading } from './live-source';
import type { KeptLive } from './kept-live';
import type { LiveReadingsNow } from './live-readings';

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
            @if (mayKeep()) {
              <button
                pButton
                [kind]="now.isSteady || summed() ? 'main' : 'plain'"
                [disabled]="keeping() === null"
                (click)="kept.emit()"
              >
                {{ summed() ? 'Keep ' + keeps() : 'Keep' }}
              </button>
            }
          </p>
          @if (besides(); as words) {
            <p class="beside">{{ words }}</p>
          }
          @if (mayKeep() && clamp(); as id) {
            <button pButton kind="bare" class="soft" (click)="zero(id)">
              Zero the clamp (jaws closed, off the cable)
            </button>
          }
          @if (summed(); as words) {
            <p role="status">{{ words }}</p>
          } @else {
            <p class="soft">{{ range() }}</p>
          }
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
    .beside {
      font-variant-numeric: tabular-nums;
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
  readonly #api = inject(Api);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly live = input.required<LiveReading>();
  readonly test = input.required<TestName>();
  /** What is read beside it at the same moment. */
  readonly beside = input<LiveReadingsNow>({});
  /** What the button keeps. */
  readonly keeping = input<KeptLive | null>(null);
  /** Where it can be kept: on the bench. */
  readonly mayKeep = input(true);
  readonly kept = output();
  protected readonly keeps = computed(() => {
    const keeping = this.keeping();
    return keeping ? this.#write(keeping.value, keeping.resolution) : '';
  });
  protected readonly besides = computed(() =>
    LIVE_CONDITIONS.flatMap((role) => {
      const one = this.beside()[role];
      if (!one) return [];
      const { name, unit } = INSTRUMENT_FUNCTIONS[functionOfCondition(role)];
      const what = role === 'offsetVolts' ? 'At the post' : name;
      if (one.state !== 'value' || one.isStale) return [`${what}: not read (${one.name})`];
      return [`${what}: ${this.#figures.format().shown(one.value, unit, one.resolution)} (${one.name})`];
    }).join(' · '),
  );
  /** Where it is not the display of this moment that is kept: what is. */
  protected readonly summed = computed(() => {
    const keeping = this.keeping();
    if (!keeping?.from) return '';
    const { conditions, from, resolution } = keeping;
    const { plain } = this.#figures.format();
    const at = conditions.amps === undefined ? '' : ` at ${plain(conditions.amps, 0)} A`;
    if (from.how === 'load')
      return `Under load for ${plain(conditions.seconds ?? 0, 0)} s: ${this.keeps()} at the end${at}.`;
    const [low, high] = [from.lowest, from.highest].map((value) => this.#write(value, resolution));
    return `Mean while the count said read: ${this.keeps()}${at}. Lowest ${low}, highest ${high}.`;
  });
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

  /** The clamp that is read just now. */
  protected readonly clamp = computed(() => {
    const { unit } = TESTS[this.test()];
    const [now, amps] = [this.live(), this.beside().amps];
    if (functionOf(this.test(), unit) === 'amps-dc' && now.state === 'value') return now.id;
    return amps?.state === 'value' ? amps.id : null;
  });
  protected zero(id: string): void {
    const shop = this.#shop();
    if (shop !== null) this.#api.zeroInstrument(shop, id).subscribe();
  }

  #write(value: number, resolution: number): string {
    const { unit, isSmallVolts } = TESTS[this.test()];
    return this.#figures.format().shown(value, unit, resolution, isSmallVolts);
  }
  #unit(): string {
    const { unit } = TESTS[this.test()];
    return unit === 'ohm' ? 'Ω' : unit;
  }
}
