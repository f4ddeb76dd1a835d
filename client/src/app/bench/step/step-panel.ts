import { ChangeDetectionStrategy, Component, computed, inject, input, output, viewChild } from '@angular/core';
import type { JobView } from '@tetrad/contracts';
import { WAITS, derivedWords, stepMinutes, stepName } from '@tetrad/core';
import type {
  Assessment,
  CautionName,
  ComesFirst,
  CriteriaSet,
  Derived,
  NextStep,
  RouteStep,
  Situation,
  StepName,
  TestName,
  TickName,
  WaitKind,
} from '@tetrad/core';
import { Clock } from '../../state/clock/clock';
import { Figures } from '../../state/figures';
import { belongs, findingWords, nameOfStep, stepNameOf } from '../route/step-key';
import { CountView } from '../../waiting/count-view';
import { runningCount, waits } from '../../waiting/timer-state';
import { Attempts } from './attempts';
import { CautionStrip } from './caution-strip';
import { ComplaintEntry } from './complaint-entry';
import { HalvedPathView } from './halved-path-view';
import { ObservationEntry } from './observation-entry';
import { ReadingEntry } from './reading-entry';
import type { EnteredReading } from './reading-entry';

/** The step at hand: what must come first, what to mind, the entry, its waits, and what was read so far. */
@Component({
  selector: 'tt-step-panel',
  imports: [Attempts, CautionStrip, ComplaintEntry, CountView, HalvedPathView, ObservationEntry, ReadingEntry],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './step-panel.html',
  styleUrl: './step-panel.css',
})
export class StepPanel {
  readonly #clock = inject(Clock);
  readonly #figures = inject(Figures);
  readonly step = input.required<RouteStep>();
  readonly job = input.required<JobView>();
  readonly criteria = input.required<CriteriaSet>();
  readonly situation = input.required<Situation>();
  readonly derived = input.required<Derived | null>();
  readonly assessments = input.required<readonly Assessment[]>();
  readonly pending = input.required<ReadonlySet<string>>();
  readonly next = input.required<NextStep | null>();
  readonly blocked = input.required<ComesFirst | null>();
  readonly ticked = input.required<ReadonlySet<TickName>>();

  readonly entered = output<EnteredReading>();
  readonly observed = output<string>();
  readonly complained = output<NonNullable<JobView['case']['complaint']>>();
  readonly voided = output<{ id: string; reason: string }>();
  readonly tick = output<TickName>();
  readonly accepted = output<{ caution: CautionName; by: string }>();
  readonly waited = output<{ kind: WaitKind; seconds?: number }>();
  readonly stopped = output<string>();
  readonly chosen = output<StepName>();
  /** Enter in an empty entry: on to the next. */
  readonly onward = output();

  protected readonly cautions = viewChild(CautionStrip);
  readonly entry = viewChild(ReadingEntry);
  protected readonly say = computed(() => this.#figures.voice().say);
  protected readonly name = computed(() => nameOfStep(this.step()));
  protected readonly stepName = computed(() => stepNameOf(this.step()));
  protected readonly nameOf = stepName;
  protected readonly waits = WAITS;
  protected readonly attempts = computed(() =>
    this.assessments().filter(({ reading }) => belongs(reading, this.step())),
  );
  /** The newest that counts came out badly: the path is worth halving. */
  protected readonly failing = computed((): TestName | null => {
    const step = this.step();
    const newest = this.attempts()
      .filter(({ grade }) => grade !== 'void')
      .at(-1);
    return step.kind === 'reading' && newest !== undefined && newest.grade === 'outside' ? step.test : null;
  });

  /** What this reading gives together with the others. */
  protected readonly gives = computed(() => {
    const step = this.step();
    const derived = this.derived();
    const read = this.attempts().some(({ grade }) => grade !== 'void');
    return step.kind === 'reading' && derived && read
      ? derivedWords(step.test, derived, this.situation(), this.#figures.voice())
      : [];
  });

  /** What taking this step now costs, where the judge would take another first. */
  protected readonly cost = computed((): string | null => {
    const name = this.stepName();
    const next = this.next();
    if (name === null || next === null || next.test === name || this.attempts().length > 0) return null;
    const own = stepMinutes(name);
    return own === null
      ? null
      : `About ${own} min. ${stepName(next.test)} would settle more now: about ${next.minutes} min.`;
  });

  /** The newest finding of what is looked at here, for the heading. */
  protected readonly finding = computed(() => {
    const step = this.step();
    const own = this.job().case.observations?.filter(({ about }) => step.kind === 'observe' && about === step.about);
    return own?.length ? findingWords(own.at(-1)!.finding) : '';
  });

  protected readonly waitKinds = computed((): readonly WaitKind[] => {
    const step = this.step();
    return step.kind === 'charge' ? ['charge'] : step.kind === 'reading' ? (step.waits ?? []) : [];
  });
  /** Waits of this job that have run out. */
  protected readonly waitedFor = computed(
    (): ReadonlySet<WaitKind> => {
      const { timers } = this.job();
      if (timers.length === 0) return new Set();
      const over = waits(timers, this.#clock.ticking()).filter(({ state }) => state.over);
      return new Set(over.map(({ timer }) => timer.kind));
    },
    { equal: (a, b) => a.size === b.size && [...a].every((kind) => b.has(kind)) },
  );
  protected readonly count = computed(() => {
    const { timers } = this.job();
    return timers.length === 0 ? null : runningCount(timers, this.#clock.ticking());
  });
  /** Nobody counts down to a crank before its cautions are read. */
  protected readonly mayCount = computed(() => (this.cautions()?.open() ?? []).length === 0);
  /** The starter cools: another crank must wait. */
  protected readonly cooling = computed(() => {
    const { timers } = this.job();
    return (
      timers.length > 0 &&
      waits(timers, this.#clock.ticking()).some(({ timer, state }) => timer.kind === 'cool-down' && !state.over)
    );
  });

  /** A caution is understood: the next key is a reading again. */
  protected accept(caution: { caution: CautionName; by: string }): void {
    this.accepted.emit(caution);
    this.entry()?.focus();
  }
  /** Acknowledges by keyboard. */
  acceptCaution(): void {
    this.cautions()?.acceptOrAsk();
  }
  /** Counts down by keyboard, where it is allowed. */
  countDown(): void {
    if (this.mayCount() && !this.cooling()) this.start('crank');
  }
  /** Starts a wait and goes back to the entry: the next key is a reading again. */
  protected start(kind: WaitKind): void {
    this.waited.emit({ kind });
    this.entry()?.focus();
  }
  protected charge(hours: string): void {
    const parsed = Number(hours.replace(',', '.'));
    this.waited.emit({ kind: 'charge', ...(parsed > 0 && parsed <= 72 && { seconds: Math.round(parsed * 3600) }) });
  }
}
