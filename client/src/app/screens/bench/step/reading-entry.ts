import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChildren,
} from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { TESTS, askedBackOf, assessCase, rulerScale, unitVolts } from '@tetrad/core';
import type { Answer, Assessment, Reading, ReadingStep, WaitKind } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Sentences } from '../../../device/sentences';
import { JobStore } from '../../../job/job.store';
import type { EnteredReading } from '../../../job/commands';
import { Button } from '../../../kit/button';
import { Field } from '../../../kit/field';
import { Enter } from '../../../kit/forms/enter';
import { Figure } from '../../../kit/forms/figure';
import { GradeMark } from '../../../kit/grade-mark';
import { focusOnScreen } from '../../../kit/keys/behind-dialogs';
import { Ruler } from '../../../kit/ruler';
import { asideOf } from './aside';
import { EntryConditions } from './entry-conditions';
import { EntryFields } from './entry-fields';
import type { EnteredFor } from './entry-fields';
import { EntryQuestion } from './entry-question';
import { NotPossible } from './not-possible';
import type { NotPossibleReason } from './not-possible';
import { LiveValue } from '../../../instruments/live/live-value';
import { LiveKept } from './live-kept';
import { LiveReadings } from '../../../instruments/live/live-readings';
import { PendingReading } from './pending-reading';
import type { Entered } from './pending-reading';
import { conditionsOf } from './reading-form';
import { understand } from './understand';
import { WorkOut } from './work-out';

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
  providers: [EntryFields, PendingReading],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './reading-entry.html',
  styleUrl: './reading-entry.css',
})
export class ReadingEntry {
  readonly #voice = inject(Sentences);
  readonly #fields = inject(EntryFields);
  readonly #pending = inject(PendingReading);
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
  protected readonly form = this.#fields.form;
  readonly #typed = this.#fields.typed;
  readonly #for = computed((): EnteredFor => ({
    step: this.step(),
    battery: this.battery(),
    waitedFor: this.waitedFor(),
  }));
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
      percentOf: this.row().percentOf?.(system) ?? null,
      asks: (value) => {
        const asked = surveyed && askedBackOf(this.row().askBack, value, surveyed.gradedCase, battery);
        return asked ? voice.say(asked) : '';
      },
    });
  });
  /** What is asked with the figure that was typed; null while nothing is. */
  protected readonly asked = this.#pending.asked;
  protected readonly isMeant = computed(() => this.#pending.meant() !== null && this.#value() !== null);
  /** What is saved as it stands. */
  readonly #value = computed(() => {
    const found = this.understood();
    if (found.state === 'value') return found.value;
    return found.state === 'doubtful' && found.value === this.#pending.meant() ? found.value : null;
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
      this.step();
      this.job.id();
      untracked(() => {
        this.#begin(); // untracked: an answer of the server must not clear what is typed
        this.focus();
      });
    });
    effect(() => {
      this.battery();
      untracked(() => this.#fields.fill(this.#for(), true));
    });
    effect(() => {
      this.waitedFor();
      untracked(() => this.#fields.fill(this.#for(), false));
    });
    effect(() => {
      this.#typed();
      this.form();
      untracked(() => this.#fields.keep(this.step()));
    });
    effect(() => {
      // how a window was read stands in the fields, where it can be corrected
      if (this.#window() !== null) untracked(() => this.#fields.fillRead(this.step()));
    });
    effect(() => this.typing.emit(this.#typed().typed.some((text) => text.trim() !== '')));
  }

  focus(): void {
    focusOnScreen(() => this.boxes()[0]?.nativeElement);
  }
  /** True once it can take keys for the step at hand. */
  readonly isReady = computed(() => this.#fields.isFor(this.step()));
  /** Adds keys that were pressed before it was there. */
  append(keys: string): void {
    this.take(0, (this.form()?.controls.typed.at(0).value ?? '') + keys);
  }
  /** Opens the reasons why it is not possible. */
  askWhyNot(): void {
    this.askedWhy.update((asked) => !asked);
  }

  protected readonly scaleOf = rulerScale;
  protected readonly showMeant = (value: number): string => this.#voice.voice().value(this.step().test, value);

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
    if (found.state === 'doubtful' && this.#value() === null) return this.#pending.meant.set(found.value);
    const value = this.#value();
    if (value !== null) this.#saveOrAsk(this.#whole(value));
  }
  /** Asks first what the reading depends on, where nobody has said it; a second Enter leaves it unanswered. */
  #saveOrAsk(entered: Entered): void {
    if (!this.#pending.ask(entered, this.step(), this.battery())) this.#save(entered);
  }
  /** Enter on an empty entry keeps what the instrument shows, once it can be. @returns false where none is read live. */
  protected keepLive(): boolean {
    const kept = this.keeping();
    if (kept === null) return this.live() !== null;
    const battery = this.battery();
    this.#saveOrAsk({
      value: kept.value,
      conditions: this.#fields.conditions(this.step()),
      ...(battery !== undefined && { battery }),
      instrument: kept.instrument,
      ...(kept.accuracy !== null && { uncertainty: kept.accuracy }),
      resolution: kept.resolution,
      ...(kept.from?.how === 'count' && { lowest: kept.from.lowest, highest: kept.from.highest }),
      live: true,
    });
    return true;
  }
  /** What was asked with the figure is answered: it is saved. */
  protected answer(answer: Answer): void {
    const entered = this.#pending.answered(answer);
    if (entered) this.#save(entered);
  }

  #save({ battery, ...entered }: Entered): void {
    this.#fields.clear(this.step());
    this.#pending.clear();
    this.typing.emit(false);
    this.entered.emit({ ...entered, ...(battery !== undefined && { battery }) });
  }

  protected cannot(why: NotPossibleReason): void {
    const battery = this.battery();
    this.askedWhy.set(false);
    this.entered.emit({ value: null, notPossible: why, conditions: {}, ...(battery !== undefined && { battery }) });
  }

  #begin(): void {
    if (!this.#fields.begin(this.#for())) return;
    this.askedWhy.set(false);
    this.#pending.meant.set(null);
  }

  #whole(value: Exclude<Reading['value'], null>): EnteredReading {
    const battery = this.battery();
    const { instrument, uncertainty } = this.instrument();
    const found = this.understood();
    const resolution = 'resolution' in found ? found.resolution : undefined;
    return {
      value,
      conditions: {
        ...this.#fields.conditions(this.step()),
        ...(found.state === 'value' && found.conditions),
      },
      ...(battery !== undefined && { battery }),
      ...(instrument !== undefined && { instrument }),
      ...(uncertainty !== undefined && typeof value === 'number' && { uncertainty }),
      ...(resolution !== undefined && { resolution }),
    };
  }
}
