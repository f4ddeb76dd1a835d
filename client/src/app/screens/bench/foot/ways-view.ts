import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { WAYS, batteryUnits, capital, derive, disagreeing, limitsOf } from '@tetrad/core';
import { Sentences } from '../../../device/sentences';
import { JobStore } from '../../../job/job.store';
import { GradeMark } from '../../../kit/grade-mark';

/** The scale reaches to this share of the rating. */
const TO = 1.4;
/** Tests that tell of the battery without a share of its rating. */
const BESIDE = ['specific-gravity', 'hold-charge'] as const;

/** The battery's health by each way that was measured, on one scale with its uncertainty: agreeing or not. */
@Component({
  selector: 'tt-ways',
  imports: [GradeMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ways-view.html',
  styleUrl: './ways-view.css',
})
export class WaysView {
  readonly #job = inject(JobStore);
  readonly #voice = inject(Sentences);
  readonly #gradedCase = computed(() => this.#job.surveyed()?.gradedCase ?? null);
  readonly #measured = computed(() => {
    const gradedCase = this.#gradedCase();
    return gradedCase ? derive(gradedCase).ways : [];
  });

  protected readonly ways = computed(() =>
    this.#measured().map(({ way, health, spread, battery, reading }) => {
      const { share, value } = this.#voice.voice();
      const at = (figure: number): number => (100 * Math.min(Math.max(figure, 0), TO)) / TO;
      const name = capital(WAYS[way] ?? way).replace(/^The /, '');
      return {
        id: `${way} ${reading.id}`,
        name: battery === undefined ? capital(name) : `${capital(name)}, battery ${battery}`,
        read: value(reading.test, reading.value),
        shown: share(health),
        at: at(health),
        from: at(health * Math.exp(-spread)),
        to: at(health * Math.exp(spread)),
        spoken: `${share(health)} of its rating, between ${share(health * Math.exp(-spread))} and ${share(health * Math.exp(spread))}`,
      };
    }),
  );
  /** From here on a tester's cut lets a battery pass. */
  protected readonly cut = computed(() => {
    for (const { rule } of limitsOf(this.#job.criteria(), 'conductance'))
      if (rule.kind === 'rated-share') return (100 * rule.minShare) / TO;
    return null;
  });
  protected readonly rated = 100 / TO;
  /** Ways that do not measure a share, by their grade. */
  protected readonly beside = computed(() =>
    this.#job
      .assessments()
      .filter(({ reading, grade }) => BESIDE.some((test) => test === reading.test) && grade !== 'void')
      .map(({ id, reading, grade, because }) => ({
        id,
        name: `${reading.test === 'hold-charge' ? 'Holding' : 'Gravity'}${reading.battery ? `, battery ${reading.battery}` : ''}`,
        grade,
        says: this.#voice.voice().say(because),
      })),
  );
  protected readonly together = computed((): string => {
    const gradedCase = this.#gradedCase();
    const ways = this.#measured();
    if (!gradedCase || ways.length < 2) return 'One way alone: a second one makes it sure.';
    const apart = batteryUnits(gradedCase).some((battery) => disagreeing(ways, battery) !== null);
    return apart ? 'They disagree: measure it a third way.' : 'They agree within what each may be wrong.';
  });
}
