import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import type { WaitPhase } from '@tetrad/core';
import { Sound } from '../device/sound';
import type { Tone } from '../device/sound';
import type { TimerNow } from './timer-state';

const TONE_OF: Readonly<Record<string, Tone>> = { crank: 'go', load: 'go', read: 'read', stop: 'stop' };

/** A count: what to do now, in words read from two metres, and the seconds left in it. */
@Component({
  selector: 'tt-count',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="words" aria-live="assertive">{{ says() }}</p>
    <p class="seconds figure" role="timer" [attr.data-phase]="phase()?.name ?? 'over'">{{ seconds() }}</p>
    <div class="phases" aria-hidden="true">
      @for (entry of phases(); track entry.name) {
        <span
          [style.flex-grow]="entry.seconds"
          [class.now]="entry.name === phase()?.name"
          [class.read]="entry.read"
        ></span>
      }
    </div>
  `,
  styleUrl: './count-view.css',
  host: { '[class.read]': 'phase()?.read', '[class.big]': 'big()' },
})
export class CountView {
  readonly #sound = inject(Sound);
  readonly count = input.required<TimerNow>();
  readonly big = input(false);

  protected readonly phase = computed((): WaitPhase | null => {
    const { state } = this.count();
    return state.over ? null : state.phase;
  });
  protected readonly phases = computed((): readonly WaitPhase[] => this.count().row.phases);
  protected readonly says = computed(() => this.phase()?.says ?? this.count().row.then);
  protected readonly seconds = computed(() => {
    const { state } = this.count();
    return state.over ? '' : String(Math.ceil(state.phaseLeftS));
  });

  constructor() {
    let before: string | null = null;
    effect(() => {
      const phase = this.phase()?.name ?? 'over';
      const seconds = this.seconds();
      untracked(() => {
        const now = `${phase} ${seconds}`;
        if (before !== null && now !== before) {
          const turned = !before.startsWith(`${phase} `);
          if (turned && TONE_OF[phase]) this.#sound.play(TONE_OF[phase]);
          else if (phase !== 'over') this.#sound.play('tick');
        }
        before = now;
      });
    });
  }
}
