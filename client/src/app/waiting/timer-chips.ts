import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  inject,
  input,
  output,
  untracked,
} from '@angular/core';
import type { TimerView } from '@tetrad/contracts';
import type { StepName, WaitKind } from '@tetrad/core';
import { Clock } from '../device/clock';
import { Button } from '../kit/button';
import { callWhenOver } from './call-when-over';
import { clockWords, waits } from './timer-state';

/** The waits of a job: counting, or over and calling. */
@Component({
  selector: 'tt-timer-chips',
  imports: [Button],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (entry of shown(); track entry.timer.id) {
      <div class="chip" [class.over]="entry.state.over">
        @if (entry.state.over) {
          <button pButton kind="row" class="text" (click)="chosen.emit(entry.row.step)">
            <strong>{{ entry.row.name }} is over.</strong> {{ entry.row.then }}
          </button>
          @if (entry.follows; as next) {
            <button pButton (click)="followed.emit({ id: entry.timer.id, kind: next.kind })">
              {{ next.name }}
            </button>
          }
          <button pButton kind="bare" (click)="stopped.emit(entry.timer.id)">Done</button>
        } @else {
          <span>{{ entry.row.name }}</span>
          <span class="figure left">{{ entry.left }}</span>
          <button
            pButton
            kind="bare"
            (click)="stopped.emit(entry.timer.id)"
            [attr.aria-label]="'Stop: ' + entry.row.name"
          >
            Stop
          </button>
        }
      </div>
    }
    <p class="sr-only" role="status">{{ spoken() }}</p>
  `,
  styleUrl: './timer-chips.css',
})
export class TimerChips {
  readonly #clock = inject(Clock);
  readonly timers = input.required<readonly TimerView[]>();
  readonly stopped = output<string>();
  readonly followed = output<{ id: string; kind: WaitKind }>();
  readonly chosen = output<StepName>();

  protected readonly shown = computed(() => {
    const timers = this.timers();
    if (timers.length === 0) return [];
    return waits(timers, this.#clock.ticking()).map((entry) => ({
      ...entry,
      left: entry.state.over ? '' : clockWords(entry.state.leftS),
      follows: followOf(entry.row.follows),
    }));
  });
  readonly #over = computed(() =>
    this.shown()
      .filter(({ state }) => state.over)
      .map(({ timer }) => timer.id)
      .join(' '),
  );
  protected readonly spoken = computed(() => {
    void this.#over();
    return untracked(() =>
      this.shown()
        .filter(({ state }) => state.over)
        .map(({ row }) => `${row.name} is over. ${row.then}`)
        .join(' '),
    );
  });

  constructor() {
    inject(DestroyRef).onDestroy(this.#clock.watch());
    callWhenOver(this.timers);
  }
}

const FOLLOW_NAMES: Readonly<Partial<Record<string, string>>> = {
  settle: 'Lamps off: settle',
  'lamps-on': 'Lamps on',
};
const followOf = (kind: string | undefined): { kind: WaitKind; name: string } | null =>
  kind !== undefined && FOLLOW_NAMES[kind] ? { kind: kind as WaitKind, name: FOLLOW_NAMES[kind] } : null;
