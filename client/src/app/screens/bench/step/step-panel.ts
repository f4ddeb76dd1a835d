import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { TESTS, WAITS, isCaptureTest, stepName } from '@tetrad/core';
import type { CautionName, StepName, System, WaitKind } from '@tetrad/core';
import { entriesOf, sumAt } from '@tetrad/core/desk';
import { pageOfStep } from '@tetrad/core/guide';
import { Sentences } from '../../../device/sentences';
import { Settings } from '../../../device/settings';
import type { EnteredReading } from '../../../job/commands';
import { Store } from '@ngrx/store';
import { JobStore } from '../../../job/job.store';
import { selectMay } from '../../../state/session/session.feature';
import { GuideDrawer } from '../../../guide/guide-drawer';
import { Button } from '../../../kit/button';
import { GradeMark } from '../../../kit/grade-mark';
import { TypedAhead } from '../../../kit/keys/typed-ahead';
import { NotLoaded } from '../../../kit/not-loaded';
import { Segmented } from '../../../kit/segmented';
import { CountView } from '../../../waiting/count-view';
import { StepDrawing } from '../../../circuit/step-drawing';
import { LastVisit } from '../last-visit';
import { keyOf, stepNameOf } from '../route/step-key';
import { findingsOf } from '../../../job/finding-words';
import { StepAtHand } from '../step-at-hand';
import { Attempts } from './attempts';
import { CautionStrip } from './caution-strip';
import { ChargeEntry } from './charge-entry';
import { ComplaintEntry } from './complaint-entry';
import { EngineQuestion } from './engine-question';
import { FuseList } from './fuse-list';
import { HalvedPathView } from './halved-path-view';
import { InstrumentChip } from './instrument-chip';
import { LabelEntry } from './label-entry';
import { ObservationEntry } from './observation-entry';
import { SimulatedHands } from '../../../instruments/live/simulated-hands';
import { LiveStep } from '../../../instruments/live/live-step';
import { BenchLiveStep } from './bench-live-step';
import { LiveKept } from './live-kept';
import { LiveReadings } from '../../../instruments/live/live-readings';
import { ReadWith } from '../../../instruments/read-with';
import { ReadingEntry } from './reading-entry';
import { ReadingShown } from './reading-shown';
import type { Onward } from './reading-shown';
import { StepReading } from './step-reading';
import { StepWaits } from './step-waits';
import { StepWords } from './step-words';

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
    EngineQuestion,
    FuseList,
    GradeMark,
    GuideDrawer,
    HalvedPathView,
    InstrumentChip,
    LabelEntry,
    NotLoaded,
    ObservationEntry,
    ReadingEntry,
    ReadingShown,
    Segmented,
    SimulatedHands,
    StepDrawing,
  ],
  providers: [
    { provide: LiveStep, useClass: BenchLiveStep },
    LiveKept,
    LiveReadings,
    StepReading,
    StepWaits,
    StepWords,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './step-panel.html',
  styleUrl: './step-panel.css',
  host: { '(document:keydown)': 'press($event)' },
})
export class StepPanel {
  protected readonly isRecorded = isCaptureTest;
  protected readonly nameOf = stepName;
  protected readonly waitRows = WAITS;
  readonly #readWith = inject(ReadWith);
  readonly #ahead = inject(TypedAhead);
  readonly #settings = inject(Settings);
  protected readonly job = inject(JobStore);
  protected readonly at = inject(StepAtHand);
  protected readonly reading = inject(StepReading);
  protected readonly waits = inject(StepWaits);
  protected readonly words = inject(StepWords);
  protected readonly voice = inject(Sentences).voice;
  readonly #last = inject(LastVisit);
  /** What was read here on the last visit. */
  protected readonly lastTime = computed(() => this.#last.at(this.step()));
  readonly chosen = output<StepName>();
  /** Nothing is left to read: the job can be signed off. */
  readonly decided = output();

  /** Of a closed job nothing is entered; what was read is still shown. */
  protected readonly isClosed = computed(() => this.view().status === 'closed');
  protected readonly isReadingShown = computed(() => this.step().kind === 'reading' && this.reading.isShown());
  protected readonly mayReopen = inject(Store).selectSignal(selectMay('sign-off'));
  readonly reopened = output();

  /** The label says something else than what was taken from it. */
  readonly corrects = output();

  /** The guide is open beside the step, at the page of the step. */
  readonly guide = signal(false);
  protected readonly guidePage = computed(() => pageOfStep(this.step()));
  /** The sum that helps at this step, with what the job knows of it; null where none does. */
  protected readonly desk = computed(() => {
    const step = this.step();
    const sum = step.kind === 'reading' ? sumAt(step.test) : null;
    if (sum === null || this.job.isQuick()) return null;
    const { id, case: subject } = this.view();
    return { id: sum.sum, query: { ...entriesOf(sum.sum, subject), job: id, step: keyOf(step), reads: sum.reads } };
  });
  protected readonly cautions = viewChild(CautionStrip);
  protected readonly entry = viewChild(ReadingEntry);
  protected readonly fuses = viewChild(FuseList);
  /** Fuses are read one after the other, each with its name and rating. */
  protected readonly isFuseList = computed(() => this.reading.step()?.test === 'fuse-drop');
  protected readonly label = viewChild(LabelEntry);
  protected readonly step = this.at.step;
  protected readonly view = computed(() => this.job.view()!);
  protected readonly gradedCase = computed(() => this.job.surveyed()!.gradedCase);
  protected readonly stepName = computed(() => stepNameOf(this.step()));
  protected readonly batteryChoices = computed(() => [
    { value: 0, label: 'Pack' },
    ...this.reading.batteries().map((battery) => ({ value: battery, label: `Battery ${battery}` })),
  ]);
  /** What follows the reading that is shown: once nothing is asked for, signing off. */
  protected readonly leadsTo = computed((): Onward | null => {
    if (this.at.next() !== null) return 'next';
    return this.job.isQuick() || this.view().signOff ? null : 'sign-off';
  });
  /** Nobody counts down to a crank before its cautions are read. */
  protected readonly mayCount = computed(() => (this.cautions()?.open() ?? []).length === 0);
  /** Nobody knows the engine, and its usual amps and speed are needed from here on. */
  protected readonly isEnginePassed = signal(false);
  protected readonly asksEngine = computed(() => {
    const step = this.step();
    const { engine } = this.view().case.system;
    const isCranking = step.kind === 'reading' && TESTS[step.test].step.engine === 'cranking';
    return isCranking && !this.isEnginePassed() && (engine?.cylinders === undefined || engine.fuel === undefined);
  });
  protected tellEngine(system: System): void {
    this.job.change({ system }, 'Engine told');
    this.entry()?.focus();
  }
  /** When the battery was last read at rest. */
  protected readonly readFlatAt = computed(() => {
    const at = this.job.assessments().findLast(({ reading }) => reading.test === 'resting-voltage')?.reading.at;
    return at === undefined ? null : Date.parse(at);
  });
  /** The charge that runs, or is over and not read yet. */
  protected readonly charging = computed(() => this.view().timers.find(({ kind }) => kind === 'charge') ?? null);
  /** The instrument is simulated: the vehicle's key is here then. */
  protected readonly isSimulated = computed(() => {
    const step = this.reading.step();
    return step !== null && this.#readWith.live(step.test)?.instrument.isSimulated === true;
  });
  protected readonly instrument = computed(() => {
    const step = this.reading.step();
    return step ? this.#readWith.of(TESTS[step.test].unit) : {};
  });

  constructor() {
    inject(DestroyRef).onDestroy(this.#ahead.attend());
    effect(() => {
      this.at.picks();
      untracked(() => (this.fuses() ?? this.entry())?.focus());
    });
    effect(() => {
      // the step, its entry, and what waits for it: whatever comes last hands over
      this.#ahead.keys();
      this.step();
      this.entry()?.isReady();
      untracked(() => this.#handOver());
    });
  }

  /** Any key holds the step where it is; that of a foot switch saves what is typed, or read live. */
  protected press(event: KeyboardEvent): void {
    this.at.hold();
    if (event.key !== this.#settings.choice().footSwitch || event.repeat) return;
    event.preventDefault();
    this.entry()?.submit();
  }

  protected read(entered: EnteredReading): void {
    const step = this.step();
    if (step.kind !== 'reading') return;
    this.at.choose(step); // what is asked next must not change the step before this one is done with
    this.#readWith.tell(entered.instrument, this.job);
    this.job.read(step.test, entered, keyOf(step));
    // of a pack the next battery is read at the same place, of the fuses the next fuse
    if (TESTS[step.test].isSeveral) return;
    if (this.reading.isWhollyRead()) this.at.afterReading(step);
    // void: the judge asks for it again where that can tell anything
    else if (this.reading.isNewestVoid()) this.at.onward();
  }
  protected observe(finding: string): void {
    const step = this.step();
    if (step.kind !== 'observe') return;
    this.job.observe(step.about, finding, keyOf(step));
    this.at.onward();
  }
  protected confirmLabel(system: System): void {
    this.job.change({ system }, 'Label confirmed');
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
    this.reading.again();
  }
  /** The battery was charged: an empty entry for its volts at rest. */
  protected readAfterCharge(): void {
    this.at.goTo('resting-voltage');
    this.reading.again();
  }
  askWhyNot(): void {
    this.readAgain();
    setTimeout(() => this.entry()?.askWhyNot());
  }
  /** Counts down by keyboard, where it belongs to the step and is allowed. */
  countDown(): void {
    if (!this.waits.kinds().includes('crank') || !this.mayCount() || this.waits.isCooling()) return;
    this.readAgain();
    this.start('crank');
  }
  /** Starts a wait and goes back to the entry: the next key is a reading again. */
  protected start(kind: WaitKind): void {
    this.job.wait({ kind });
    this.entry()?.focus();
  }
  /**
   * Keys typed anywhere belong to the step: to its entry (at a step that was read they begin the next reading), or where
   * something is looked at to the finding, or the button, of that number.
   */
  #handOver(): void {
    const step = this.step();
    const keys = this.#ahead.keys();
    if (step.kind !== 'reading' || this.entry()?.isReady()) this.#ahead.arrived();
    if (keys === '') return;
    if (step.kind === 'observe') {
      const finding = findingsOf(step.about)[Number(this.#ahead.take(1)) - 1];
      if (finding !== undefined) this.observe(finding);
    } else if (step.kind === 'label') {
      const key = this.#ahead.take(1);
      if (key === '1') this.label()?.confirm();
      if (key === '2') this.corrects.emit();
    } else if (step.kind === 'reading') {
      const entry = this.entry();
      if (this.isFuseList()) this.fuses()?.append(this.#ahead.take(keys.length));
      else if (!entry) this.readAgain();
      else if (entry.isReady()) this.#fill(entry, keys);
    } else this.#ahead.take(keys.length);
  }
  #fill(entry: ReadingEntry, keys: string): void {
    const end = keys.indexOf('\n');
    const typed = this.#ahead.take(end < 0 ? keys.length : end + 1);
    entry.append(typed.replace('\n', ''));
    if (end >= 0) entry.submit();
  }
}
