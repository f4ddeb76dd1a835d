import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, output, viewChild } from '@angular/core';
import { TESTS, TICKS, WAITS, derivedWords, isTestName, retell, stepMinutes, stepName, stepOf } from '@tetrad/core';
import type { CautionName, ReadingStep, StepName, WaitKind } from '@tetrad/core';
import { Clock } from '../../../device/clock';
import { Sentences } from '../../../device/sentences';
import { JobStore } from '../../../job/job.store';
import type { EnteredReading } from '../../../job/commands';
import { Button } from '../../../kit/button';
import { isDialogOpen } from '../../../kit/keys/behind-dialogs';
import { Segmented } from '../../../kit/segmented';
import { CountView } from '../../../waiting/count-view';
import { runningCount, waits } from '../../../waiting/timer-state';
import { belongs, findingWords, findingsOf, keyOf, nameOfStep, stepNameOf } from '../route/step-key';
import { StepAtHand } from '../step-at-hand';
import { Attempts } from './attempts';
import { CautionStrip } from './caution-strip';
import { RouterLink } from '@angular/router';
import { isCaptureTest } from '@tetrad/core';
import { ChargeEntry } from './charge-entry';
import { ComplaintEntry } from './complaint-entry';
import { HalvedPathView } from './halved-path-view';
import { InstrumentChip } from './instrument-chip';
import { ObservationEntry } from './observation-entry';
import { ReadWith } from './read-with';
import { ReadingEntry } from './reading-entry';
import { ReadingShown } from './reading-shown';
import type { Onward } from './reading-shown';
import { StepDrawing } from '../circuit/step-drawing';

/** The step at hand: what to do now, or what was read; beside it where the leads go. */
@Component({
  selector: 'tt-step-panel',
  imports: [
    RouterLink,
    Attempts,
    Button,
    CautionStrip,
    ChargeEntry,
    ComplaintEntry,
    CountView,
    HalvedPathView,
    InstrumentChip,
    ObservationEntry,
    ReadingEntry,
    ReadingShown,
    Segmented,
    StepDrawing,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './step-panel.html',
  styleUrl: './step-panel.css',
  host: { '(document:keydown)': 'onDigit($event)' },
})
export class StepPanel {
  protected readonly isRecorded = isCaptureTest;
  readonly #clock = inject(Clock);
  readonly #voice = inject(Sentences);
  readonly #readWith = inject(ReadWith);
  protected readonly job = inject(JobStore);
  protected readonly at = inject(StepAtHand);
  readonly chosen = output<StepName>();
  /** Nothing is left to read: the job can be signed off. */
  readonly decided = output();

  protected readonly cautions = viewChild(CautionStrip);
  protected readonly entry = viewChild(ReadingEntry);
  protected readonly voice = this.#voice.voice;
  protected readonly step = this.at.step;
  protected readonly view = computed(() => this.job.view()!);
  protected readonly gradedCase = computed(() => this.job.surveyed()!.gradedCase);
  /** The step, where it is one that is read. */
  protected readonly reading = computed((): ReadingStep | null => {
    const step = this.step();
    return step.kind === 'reading' ? step : null;
  });
  protected readonly name = computed(() => nameOfStep(this.step()));
  protected readonly stepName = computed(() => stepNameOf(this.step()));
  protected readonly nameOf = stepName;
  protected readonly waitRows = WAITS;

  protected readonly attempts = computed(() =>
    this.job.assessments().filter(({ reading }) => belongs(reading, this.step())),
  );
  /** What counts of this pass: the newest that is not void, of each battery. */
  readonly #counting = computed(() =>
    this.attempts().filter(({ grade, reading }) => grade !== 'void' && (reading.pass ?? 'before') === this.job.pass()),
  );

  readonly #packOf = computed(() => this.view().case.system.battery.count ?? 1);
  /** Batteries of the pack that are read by themselves here; none where there is one. */
  protected readonly batteries = computed((): readonly number[] => {
    const count = this.#packOf();
    return this.reading()?.perBattery && count > 1 ? Array.from({ length: count }, (_, index) => index + 1) : [];
  });
  protected readonly batteryChoices = computed(() => [
    { value: 0, label: 'Pack' },
    ...this.batteries().map((battery) => ({ value: battery, label: `Battery ${battery}` })),
  ]);
  /** Which battery is at hand: the next that was not read; 0 is the pack as connected. */
  protected readonly battery = linkedSignal(() => {
    const read = new Set(this.#counting().map(({ reading }) => reading.battery));
    const open = this.batteries().find((battery) => !read.has(battery));
    return open ?? this.batteries()[0] ?? 0;
  });
  readonly #isAllRead = computed(() => {
    const read = new Set(this.#counting().map(({ reading }) => reading.battery));
    return this.batteries().length === 0
      ? this.#counting().length > 0
      : read.has(undefined) || this.batteries().every((battery) => read.has(battery));
  });
  /** Which step of which job, and how often it was read. */
  readonly #attempt = computed(() => `${this.job.id() ?? ''} ${keyOf(this.step())} ${this.attempts().length}`);
  /** Somebody wants to read it once more; another step, or another reading, ends that. */
  readonly #again = linkedSignal<string, boolean>({
    source: this.#attempt,
    computation: () => false,
  });
  /** A step that was read shows what was read; anything else asks for it. */
  protected readonly shows = computed(() => this.#isAllRead() && !this.#again() && !this.at.isNext());
  /** What is shown large: the newest of the battery at hand, the worst where none is. */
  protected readonly shown = computed(() => this.#counting().at(-1) ?? null);

  /** What follows the reading that is shown: once nothing is asked for, signing off. */
  protected readonly leadsTo = computed((): Onward | null => {
    if (this.at.next() !== null) return 'next';
    return this.job.isQuick() || this.view().signOff ? null : 'sign-off';
  });

  /** Why the bench came here, in a line. */
  protected readonly why = computed((): string => {
    const next = this.at.next();
    return next && this.at.isNext() && !this.shows() ? retell(next, this.voice()) : '';
  });
  /** What else is read at this hook-up. */
  protected readonly sameHookUp = computed(() => {
    const name = this.stepName();
    const place = name && stepOf(name)?.place;
    if (!place) return [];
    return (this.job.judgement()?.next ?? [])
      .map(({ test }) => test)
      .filter((test) => test !== name && stepOf(test)?.place === place)
      .map((test) => ({ test, name: isTestName(test) ? TESTS[test].name : stepName(test) }));
  });
  /** What taking this step now costs, where the judge would take another first. */
  protected readonly cost = computed((): string | null => {
    const name = this.stepName();
    const next = this.at.next();
    if (name === null || next === null || next.test === name || this.attempts().length > 0) return null;
    const own = stepMinutes(name);
    return own === null
      ? null
      : `About ${own} min. ${stepName(next.test)} would settle more now: about ${next.minutes} min.`;
  });
  /** What must be so before it is read. */
  protected readonly reminders = computed(() => {
    const reading = this.reading();
    const isolated = this.batteries().length > 0 && this.battery() > 0 ? [TICKS.isolated] : [];
    return reading ? [...reading.ticks.map((name) => TICKS[name]), ...isolated] : [];
  });
  /** The newest finding of what is looked at here, for the heading. */
  protected readonly finding = computed(() => {
    const step = this.step();
    const own = this.view().case.observations?.filter(({ about }) => step.kind === 'observe' && about === step.about);
    return own?.length ? findingWords(own.at(-1)!.finding) : '';
  });
  /** What this reading gives together with the others. */
  protected readonly gives = computed(() => {
    const reading = this.reading();
    const derived = this.job.judgement()?.derived;
    return reading && derived && this.#counting().length > 0
      ? derivedWords(reading.test, derived, this.gradedCase(), this.voice())
      : [];
  });
  /** The newest that counts came out badly: the path is worth halving. */
  protected readonly failing = computed(() =>
    this.shown()?.grade === 'outside' ? (this.reading()?.test ?? null) : null,
  );

  protected readonly waitKinds = computed((): readonly WaitKind[] => this.reading()?.waits ?? []);
  /** Waits of this job that have run out. */
  protected readonly waitedFor = computed(
    (): ReadonlySet<WaitKind> => {
      const { timers } = this.view();
      if (timers.length === 0) return new Set();
      const over = waits(timers, this.#clock.ticking()).filter(({ state }) => state.over);
      return new Set(over.map(({ timer }) => timer.kind));
    },
    { equal: (a, b) => a.size === b.size && [...a].every((kind) => b.has(kind)) },
  );
  protected readonly count = computed(() => {
    const { timers } = this.view();
    return timers.length === 0 ? null : runningCount(timers, this.#clock.ticking());
  });
  /** Nobody counts down to a crank before its cautions are read. */
  protected readonly mayCount = computed(() => (this.cautions()?.open() ?? []).length === 0);
  /** The starter cools: another crank must wait. */
  protected readonly cooling = computed(() => {
    const { timers } = this.view();
    return (
      timers.length > 0 &&
      waits(timers, this.#clock.ticking()).some(({ timer, state }) => timer.kind === 'cool-down' && !state.over)
    );
  });
  protected readonly instrument = computed(() => {
    const reading = this.reading();
    return reading ? this.#readWith.of(TESTS[reading.test].unit) : {};
  });

  protected read(entered: EnteredReading): void {
    const step = this.step();
    if (step.kind !== 'reading') return;
    this.at.choose(step); // what is asked next must not change the step before this one is done with
    this.#readWith.tell(entered.instrument, this.job);
    this.job.read(step.test, entered, keyOf(step));
    // of a pack the next battery is read at the same place
    if (this.#isAllRead()) this.at.afterReading(step);
  }
  protected observe(finding: string): void {
    const step = this.step();
    if (step.kind !== 'observe') return;
    this.job.observe(step.about, finding, keyOf(step));
    this.at.onward();
  }
  /** A caution is understood: the next key is a reading again. */
  protected accept(caution: { caution: CautionName }): void {
    this.job.acknowledge(caution);
    this.entry()?.focus();
  }
  /** Acknowledges by keyboard. */
  acceptCaution(): void {
    this.cautions()?.accept();
  }
  /** Reads the step at hand once more. */
  readAgain(): void {
    this.#again.set(true);
  }
  askWhyNot(): void {
    this.readAgain();
    setTimeout(() => this.entry()?.askWhyNot());
  }
  /** Counts down by keyboard, where it belongs to the step and is allowed. */
  countDown(): void {
    if (!this.waitKinds().includes('crank') || !this.mayCount() || this.cooling()) return;
    this.readAgain();
    this.start('crank');
  }
  /** Starts a wait and goes back to the entry: the next key is a reading again. */
  protected start(kind: WaitKind): void {
    this.job.wait({ kind });
    this.entry()?.focus();
  }
  /**
   * A digit typed anywhere belongs to the step: to its entry (at a step that was read it begins the next reading), or
   * where something is looked at to the finding of that number.
   */
  protected onDigit(event: KeyboardEvent): void {
    if (event.altKey || event.ctrlKey || event.metaKey || !/^\d$/.test(event.key)) return;
    if (isDialogOpen() || isTyping(event.target)) return;
    const step = this.step();
    if (step.kind === 'observe') {
      const finding = findingsOf(step.about)[Number(event.key) - 1];
      if (finding !== undefined) this.observe(finding);
      return;
    }
    if (step.kind !== 'reading') return;
    this.readAgain();
    event.preventDefault();
    setTimeout(() => this.entry()?.begin(event.key));
  }
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;
