import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { CAUTIONS, TESTS, cautionsOfStep, decisionWords, readingWords, stepName } from '@tetrad/core';
import { Clock } from '../../device/clock';
import { Sentences } from '../../device/sentences';
import { keepAwake } from '../../device/keep-awake';
import { Sound } from '../../device/sound';
import { JobStore } from '../../job/job.store';
import { Button } from '../../kit/button';
import { GradeMark } from '../../kit/grade-mark';
import { Coming, Failed } from '../../kit/states';
import { CountView } from '../../waiting/count-view';
import { TimerChips } from '../../waiting/timer-chips';
import { runningCount } from '../../waiting/timer-state';
import { WheelLive } from './wheel-live';

/** The phone at the wheel: the count in step with the bench, in big words, and the reading as it is entered. */
@Component({
  selector: 'tt-wheel',
  imports: [Button, Coming, CountView, Failed, GradeMark, RouterLink, TimerChips, WheelLive],
  providers: [JobStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './wheel.html',
  styleUrl: './wheel.css',
})
export class Wheel {
  readonly #router = inject(Router);
  readonly #clock = inject(Clock);
  readonly #sound = inject(Sound);
  readonly #voice = inject(Sentences);
  protected readonly job = inject(JobStore);
  readonly id = input.required<string>();

  protected readonly count = computed(() => {
    const timers = this.job.view()?.timers ?? [];
    return timers.length === 0 ? null : runningCount(timers, this.#clock.ticking());
  });
  /** What comes next, whatever is read or counted: the next crank, or the decision. */
  protected readonly nextName = computed(() => {
    const said = this.job.judgement();
    const next = said?.next[0]?.test;
    return next ? stepName(next) : said ? decisionWords(said.decision) : '';
  });
  /** The newest reading, as the bench shows it. */
  protected readonly newest = computed(() => {
    const last = this.job
      .assessments()
      .filter(({ reading }) => reading.void === undefined)
      .at(-1);
    return (
      last && { ...last, name: TESTS[last.reading.test].name, value: readingWords(last.reading, this.#voice.voice()) }
    );
  });
  /** The caution of cranking, where nobody has acknowledged it yet. */
  protected readonly caution = computed(() => {
    const known = this.job.view()?.acknowledgements ?? [];
    return cautionsOfStep('cranking-voltage').find((name) => !known.some(({ caution }) => caution === name)) ?? null;
  });
  protected readonly texts = CAUTIONS;

  constructor() {
    keepAwake();
    effect(() => {
      const id = this.id();
      untracked(() => this.job.open(id));
    });
    let before: string | null = null;
    effect(() => {
      if (!this.job.view()) return; // what was there before it was opened is no news
      const id = this.newest()?.id ?? '';
      if (before !== null && id !== before && id !== '') this.#sound.play('read');
      before = id;
    });
  }

  protected accept(): void {
    const caution = this.caution();
    if (caution !== null) this.job.acknowledge({ caution });
  }
  protected toBench(): void {
    void this.#router.navigate(['/jobs', this.id()]);
  }
}
