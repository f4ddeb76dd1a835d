import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
  viewChildren,
} from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { CONDITIONS, TESTS, askedBackOf, assessCase, openQuestion, rulerScale, unitVolts } from '@tetrad/core';
import type {
  Answer,
  Assessment,
  ConditionName,
  Question,
  Reading,
  ReadingConditions,
  ReadingStep,
  WaitKind,
} from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Sentences } from '../../../device/sentences';
import { JobStore } from '../../../job/job.store';
import type { EnteredReading } from '../../../job/commands';
import { Button } from '../../../kit/button';
import { Field } from '../../../kit/field';
import { controlValue } from '../../../kit/forms/control-value';
import { Enter } from '../../../kit/forms/enter';
import { Figure } from '../../../kit/forms/figure';
import { GradeMark } from '../../../kit/grade-mark';
import { focusOnScreen } from '../../../kit/keys/behind-dialogs';
import { Ruler } from '../../../kit/ruler';
import { asideOf } from './aside';
import { EntryConditions } from './entry-conditions';
import { EntryQuestion } from './entry-question';
import { KeptEntries } from './kept-entries';
import { knownConditions } from './known-conditions';
import { NotPossible } from './not-possible';
import type { NotPossibleReason } from './not-possible';
import { LiveValue } from '../../../instruments/live/live-value';
import { LiveKept } from './live-kept';
import { LiveReadings } from '../../../instruments/live/live-readings';
import { blankForm, conditionsOf, fillKnown, readingForm } from './reading-form';
import type { ReadingForm } from './reading-form';
import { understand } from './understand';
import { WorkOut } from './work-out';

const CELLS_PER_12V = 6;
type Entered = Omit<EnteredReading, 'battery'> & { battery?: number | undefined };
/** Before a step is known nothing is typed. */
const BLANK: ReadingForm = blankForm();

/** The entry of the step at hand: big, keyboard first, graded while it is typed. */
@Component({
  selector: 'tt-reading-entry',
  imports: [
    Button,
    Enter,
    EntryConditions,
    EntryQuestion,
    Field,
    Figure,
    GradeMark,
    InputText,
    LiveValue,
    NotPossible,
    ReactiveFormsModule,
    Ruler,
    WorkOut,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './reading-entry.html',
  styleUrl: './reading-entry.css',
})
export class ReadingEntry {
  readonly #voice = inject(Sentences);
  readonly #kept = inject(KeptEntries);
  readonly #live = inject(LiveReadings);
  readonly #liveKept = inject(LiveKept);
  protected readonly job = inject(JobStore);
  readonly step = input.required<ReadingStep>();
  /** Which of a pack; undefined for the pack as connected. */
  readonly battery = input<number | undefined>(undefined);
  /** What it is read with, and how far that may be wrong. */
  readonly instrument = input<Pick<Reading, 'instrument' | 'uncertainty'>>({});
  /** Waits of this job that have run out. */
  readonly waitedFor = input<ReadonlySet<WaitKind>>(new Set());
  readonly entered = output<EnteredReading>();
  readonly onward = output();
  /** Whether anything stands in it that is not saved. */
  readonly typing = output<boolean>();

  /** What an instrument shows of it just now; null where none is read live. */
  protected readonly live = this.#live.reading;
  protected readonly beside = this.#live.now;
  protected readonly keeping = this.#liveKept.kept;
  readonly #window = computed(() => this.keeping()?.from?.how ?? null);
  protected readonly form = signal<ReadingForm | null>(null);
  readonly #begun = signal<ReadingStep | null>(null);
  readonly #typed = controlValue(() => this.form() ?? BLANK);
  protected readonly askedWhy = signal(false);
  protected readonly boxes = viewChildren<ElementRef<HTMLInputElement>>('box');

  protected readonly row = computed(() => TESTS[this.step().test]);
  protected readonly unit = computed(() => (this.row().unit === 'ohm' ? 'Ω' : this.row().unit));
  /** Speed is counted in peaks, a clamp gives volts: both can be worked out here. */
  protected readonly canWorkOut = computed(() => this.row().unit === 'rpm' || this.row().leads?.clamp !== undefined);
  protected readonly cylinders = computed(() => this.job.view()?.case.system.engine?.cylinders);

  protected readonly understood = computed(() => {
    const { system } = this.job.view()!.case;
    const battery = this.battery();
    const isOneOfSeries = battery !== undefined && system.battery.arrangement === 'series';
    const voice = this.#voice.voice();
    const surveyed = this.job.surveyed();
    return understand(this.#typed().typed, this.step().test, {
      nominalVolts: isOneOfSeries ? unitVolts(system) : system.nominalVolts,
      packVolts: isOneOfSeries ? system.nominalVolts : null,
      asks: (value) => {
        const asked = surveyed && askedBackOf(this.row().askBack, value, surveyed.gradedCase, battery);
        return asked ? voice.say(asked) : '';
      },
    });
  });
  /** The doubtful figure that somebody has said is right. */
  readonly #meant = signal<number | null>(null);
  /** What is saved once the question with it is answered. */
  #waiting: Entered | null = null;
  /** What is asked with the figure that was typed; null while nothing is. */
  protected readonly asked = linkedSignal<string, Question | null>({
    source: () => this.#typed().typed.join(' '),
    computation: (typed, before) => (before?.source === typed ? before.value : null),
  });
  protected readonly isMeant = computed(() => this.#meant() !== null && this.#value() !== null);
  /** What is saved as it stands. */
  readonly #value = computed(() => {
    const found = this.understood();
    if (found.state === 'value') return found.value;
    return found.state === 'doubtful' && found.value === this.#meant() ? found.value : null;
  });
  /** True while what is typed cannot be saved: it means nothing, or a condition does not fit. */
  protected readonly isBad = computed(() => ['unclear', 'impossible', 'of-pack'].includes(this.understood().state));
  protected readonly canSave = computed(() => {
    this.#typed();
    return ['value', 'doubtful', 'of-pack'].includes(this.understood().state) && this.form()?.valid === true;
  });

  /** The grade this reading would get, as it stands now. */
  protected readonly grade = computed((): Assessment | null => {
    const found = this.understood();
    const view = this.job.view();
    if ((found.state !== 'value' && found.state !== 'doubtful') || !view) return null;
    const reading = {
      ...this.#whole(found.value),
      id: 'typed-now',
      test: this.step().test,
      pass: view.pass,
    } as Reading;
    return assessCase({ ...view.case, readings: [...view.case.readings, reading] }, this.job.criteria()).at(-1) ?? null;
  });
  protected readonly write = computed(() => {
    const voice = this.#voice.voice();
    const { test } = this.step();
    return (figure: number): string => voice.value(test, figure);
  });
  protected readonly say = computed(() => this.#voice.voice().say);
  /** What this test says beside its grade: amps and floor of a load test, milliohms of a drop. */
  protected readonly aside = computed((): string => {
    const found = this.understood();
    const surveyed = this.job.surveyed();
    if (!surveyed) return '';
    const typed = 'value' in found && typeof found.value === 'number' ? found.value : null;
    this.#typed();
    const form = this.form();
    const amps = form ? conditionsOf(form, this.step()).amps : undefined;
    const seen = { gradedCase: surveyed.gradedCase, derived: this.job.judgement()?.derived ?? null };
    return asideOf({ test: this.step().test, typed, amps, battery: this.battery() }, seen, this.#voice.voice());
  });

  constructor() {
    effect(() => {
      const step = this.step();
      this.job.id();
      untracked(() => {
        this.#begin(step); // untracked: an answer of the server must not clear what is typed
        this.focus();
      });
    });
    effect(() => {
      const battery = this.battery();
      untracked(() => this.#fill(battery, true));
    });
    effect(() => {
      this.waitedFor();
      untracked(() => this.#fill(this.battery(), false));
    });
    effect(() => {
      this.#typed();
      const form = this.form();
      if (form) untracked(() => this.#kept.keep(this.job.id(), this.step(), form));
    });
    effect(() => {
      // how a window was read stands in the fields, where it can be corrected
      if (this.#window() !== null) untracked(() => this.#fillRead());
    });
    effect(() => this.typing.emit(this.#typed().typed.some((text) => text.trim() !== '')));
  }

  focus(): void {
    focusOnScreen(() => this.boxes()[0]?.nativeElement);
  }
  /** True once it can take keys for the step at hand. */
  readonly isReady = computed(() => this.form() !== null && this.#begun() === this.step());
  /** Adds keys that were pressed before it was there. */
  append(keys: string): void {
    this.take(0, (this.form()?.controls.typed.at(0).value ?? '') + keys);
  }
  /** Opens the reasons why it is not possible. */
  askWhyNot(): void {
    this.askedWhy.update((asked) => !asked);
  }

  protected readonly scaleOf = rulerScale;
  protected readonly showMeant = (value: number): string => this.#voice.voice().quantity(value, this.row().unit);

  protected take(index: number, text: string): void {
    this.form()?.controls.typed.at(index).setValue(text);
    this.boxes()[index]?.nativeElement.focus();
  }
  protected readonly fixed = (value: number): string => String(Number(value.toPrecision(6)));

  /** Enter: saves, asks back, or goes on from an empty entry. */
  submit(): void {
    const found = this.understood();
    const form = this.form();
    if (!form) return;
    if (found.state === 'empty') return this.keepLive() ? undefined : this.onward.emit();
    if (found.state === 'part') {
      const open = form.getRawValue().typed.findIndex((text) => text.trim() === '');
      this.boxes()[open]?.nativeElement.focus();
    }
    form.markAllAsTouched();
    if (!this.canSave()) return;
    if (found.state === 'of-pack') return this.#save({ ...this.#whole(found.value), battery: undefined });
    // the second Enter says that it is meant
    if (found.state === 'doubtful' && this.#value() === null) return this.#meant.set(found.value);
    const value = this.#value();
    if (value !== null) this.#saveOrAsk(this.#whole(value));
  }
  /** Asks first what the reading depends on, where nobody has said it; a second Enter leaves it unanswered. */
  #saveOrAsk(entered: Entered): void {
    const question = this.asked() === null ? this.#questionOf(entered) : null;
    if (!question) return this.#save(entered);
    this.#waiting = entered;
    this.asked.set(question);
  }
  /** Enter on an empty entry keeps what the instrument shows, once it can be. @returns false where none is read live. */
  protected keepLive(): boolean {
    const kept = this.keeping();
    if (kept === null) return this.live() !== null;
    const battery = this.battery();
    this.#saveOrAsk({
      value: kept.value,
      conditions: this.#conditions(),
      ...(battery !== undefined && { battery }),
      instrument: kept.instrument,
      ...(kept.accuracy !== null && { uncertainty: kept.accuracy }),
      resolution: kept.resolution,
      ...(kept.from?.how === 'count' && { lowest: kept.from.lowest, highest: kept.from.highest }),
      live: true,
    });
    return true;
  }
  #fillRead(): void {
    const form = this.form();
    const read = this.keeping()?.conditions;
    if (form && read) fillKnown(form, this.step(), read, true);
  }
  /** What stands in the fields; what is read live goes before a usual figure that nobody touched. */
  #conditions(): ReadingConditions {
    const form = this.form();
    if (!form) return {};
    const read = Object.entries(this.keeping()?.conditions ?? {}).filter(
      ([name]) => form.controls.conditions.get(name)?.dirty !== true,
    );
    return { ...conditionsOf(form, this.step()), ...Object.fromEntries(read) };
  }

  /** What was asked with the figure is answered: it is saved. */
  protected answer({ value: answered }: Answer): void {
    const [question, waiting] = [this.asked(), this.#waiting];
    if (question === null || waiting === null) return;
    this.#save({ ...waiting, conditions: { ...waiting.conditions, [question.condition]: answered } });
  }
  #questionOf({ value, conditions = {} }: Entered): Question | null {
    const surveyed = this.job.surveyed();
    if (!surveyed || typeof value !== 'number') return null;
    return openQuestion(this.row().question, { value, conditions, ...surveyed, battery: this.battery() });
  }

  #save({ battery, ...entered }: Entered): void {
    const form = this.form();
    form?.controls.typed.reset();
    // the next one has another name
    for (const name of Object.keys(this.step().asks) as ConditionName[])
      if (CONDITIONS[name].type === 'text') form?.controls.conditions.get(name)?.reset();
    this.#kept.drop(this.job.id(), this.step());
    this.#meant.set(null);
    this.asked.set(null);
    this.#waiting = null;
    this.typing.emit(false);
    this.entered.emit({ ...entered, ...(battery !== undefined && { battery }) });
  }

  protected cannot(why: NotPossibleReason): void {
    const battery = this.battery();
    this.askedWhy.set(false);
    this.entered.emit({ value: null, notPossible: why, conditions: {}, ...(battery !== undefined && { battery }) });
  }

  /** What a step begins with: its usual conditions, the amps that are known already, what was typed before. */
  #begin(step: ReadingStep): void {
    const view = this.job.view();
    if (!view) return;
    const { system } = view.case;
    const inSeries = system.battery.arrangement === 'series' ? (system.battery.count ?? 2) : 1;
    const cells = (system.nominalVolts / 12 / inSeries) * CELLS_PER_12V;
    const form = readingForm(step, TESTS[step.test].kind === 'list' ? cells : 1, this.#known(this.battery()));
    this.#kept.restore(this.job.id(), step, form);
    this.askedWhy.set(false);
    this.#meant.set(null);
    this.form.set(form);
    this.#begun.set(step);
  }

  #fill(battery: number | undefined, anew: boolean): void {
    const form = this.form();
    if (form) fillKnown(form, this.step(), this.#known(battery), anew);
  }

  #known(battery: number | undefined): ReadingConditions {
    const surveyed = this.job.surveyed();
    return surveyed ? knownConditions(this.step(), surveyed.gradedCase, this.waitedFor(), battery) : {};
  }

  #whole(value: Exclude<Reading['value'], null>): EnteredReading {
    const battery = this.battery();
    const { instrument, uncertainty } = this.instrument();
    const found = this.understood();
    const resolution = 'resolution' in found ? found.resolution : undefined;
    return {
      value,
      conditions: this.#conditions(),
      ...(battery !== undefined && { battery }),
      ...(instrument !== undefined && { instrument }),
      ...(uncertainty !== undefined && typeof value === 'number' && { uncertainty }),
      ...(resolution !== undefined && { resolution }),
    };
  }
}
