import { Injectable, computed, inject, signal } from '@angular/core';
import type { RoundCheck } from '@tetrad/contracts';
import { CASE_FORMAT, CHEMISTRY_WORDS, decisionWords, isClearlySound, judge } from '@tetrad/core';
import type { Case, GradedReading, System } from '@tetrad/core';
import { Figures } from '../device/figures';
import { keptChoice } from '../device/kept-choice';
import { ReadWith } from '../instruments/read-with';
import { controlValue } from '../kit/forms/control-value';
import { draftOf, systemForm, systemOf } from '../label/system-draft';
import type { SystemDraft } from '../label/typed-system';
import { newId } from '../device/new-id';
import { EMPTY_CHECK, understoodCheck } from './check-draft';
import type { CheckDraft, CheckField, CheckHabits, CrankingMethod } from './check-draft';

/** A vehicle that is checked now: of the round, of the shop, or a new one. */
export interface Checked {
  readonly id: string;
  readonly name: string;
  readonly plate: string | null;
  readonly system: System;
  readonly isNew: boolean;
}

/** What can be stored of a vehicle, or the field that has to be mended first. */
export type CheckResult =
  { readonly body: Omit<RoundCheck, 'secondsAgo'>; readonly isSound: boolean } | { readonly field: string };

/** The check of one vehicle as it is typed: every reading graded at once, and what will come of it. */
@Injectable()
export class VehicleCheck {
  readonly #figures = inject(Figures);
  readonly #readWith = inject(ReadWith);
  readonly #habits = keptChoice<{ method: CrankingMethod; rested: 'yes' | 'no' }>('tetrad.round', {
    method: ['watched', 'min-max'],
    rested: ['yes', 'no'],
  });

  readonly vehicle = signal<Checked | null>(null);
  readonly draft = signal<CheckDraft>(EMPTY_CHECK);
  readonly habits = computed((): CheckHabits => {
    const { method, rested } = this.#habits.value();
    return { method, isRested: rested === 'yes' };
  });
  /** The battery's label, as it is known or typed. */
  readonly systemForm = signal(systemForm());
  readonly #typedSystem = controlValue<SystemDraft>(() => this.systemForm());
  readonly system = computed(() => systemOf(this.#typedSystem(), this.vehicle()?.system));
  readonly batteryWords = computed(() => systemWords(this.system()));

  readonly #understood = computed(() =>
    understoodCheck(this.draft(), this.system(), this.habits(), this.#figures.choice(), this.#readWith.of('V')),
  );
  readonly problems = computed(() => this.#understood().problems);
  readonly #subject = computed((): Case | null => {
    const vehicle = this.vehicle();
    const { celsius, readings, seen } = this.#understood();
    if (!vehicle || readings.length === 0) return null;
    return {
      format: CASE_FORMAT,
      title: vehicle.name,
      system: this.system(),
      ...(celsius !== null && { conditions: { batteryCelsius: celsius, ambientCelsius: celsius } }),
      observations: seen.map(({ about, finding }) => ({ about, finding })),
      readings: readings.map(({ reading }) => reading),
    };
  });
  readonly #judged = computed(() => {
    const subject = this.#subject();
    return subject && { subject, judgement: judge(subject) };
  });
  /** Each reading's grade, by its field. */
  readonly grades = computed((): ReadonlyMap<string, GradedReading> => {
    const graded = this.#judged()?.judgement.readings ?? [];
    return new Map(graded.map((reading) => [reading.id, reading]));
  });
  /** What comes of what is typed so far; null while nothing is. */
  readonly outcome = computed(() => {
    const judged = this.#judged();
    if (!judged) return null;
    if (isClearlySound(judged.subject, judged.judgement))
      return { isSound: true, words: 'Clearly sound: stored, no job stays open.' };
    const worst = judged.judgement.readings.find(({ grade }) => grade !== 'within' && grade !== 'noted');
    const why = worst ? firstSentence(worst.because) : decisionWords(judged.judgement.decision, this.#figures.format());
    return { isSound: false, words: `Opens a job. ${why}` };
  });

  /** @returns the field to begin with: the temperature of the yard is kept from vehicle to vehicle. */
  begin(vehicle: Checked): CheckField {
    const count = vehicle.system.battery.count ?? 1;
    const { celsius } = this.draft();
    this.draft.set({ ...EMPTY_CHECK, celsius, resting: Array.from({ length: count }, () => '') });
    this.systemForm.set(systemForm(draftOf(vehicle.system)));
    this.vehicle.set(vehicle);
    return celsius === '' ? 'celsius' : 'resting-0';
  }
  set(change: Partial<CheckDraft>): void {
    this.draft.update((before) => ({ ...before, ...change }));
  }
  setResting(at: number, text: string): void {
    this.draft.update((before) => ({ ...before, resting: Object.assign([...before.resting], { [at]: text }) }));
  }
  setMethod(method: CrankingMethod): void {
    this.#habits.set({ method });
  }
  setRested(isRested: boolean): void {
    this.#habits.set({ rested: isRested ? 'yes' : 'no' });
  }

  /** @param group That a new vehicle is put into. */
  result(plan: string, group: string | null): CheckResult | null {
    const [vehicle, judged] = [this.vehicle(), this.#judged()];
    const { problems, seen, km, hours } = this.#understood();
    if (!vehicle) return null;
    const [field] = Object.keys(problems);
    if (field !== undefined) return { field };
    if (!judged) return { field: 'resting-0' };
    const { id, name, plate, isNew } = vehicle;
    const { system, conditions, readings } = judged.subject;
    const comment = this.draft().comment.trim();
    const body = {
      plan,
      vehicle: { id, name, ...(isNew && plate !== null && { plate }), ...(isNew && group !== null && { group }) },
      system,
      ...(conditions && { conditions }),
      readings,
      observations: seen.map((observation) => ({ id: newId(), observation })),
      ...(comment && { comment }),
      ...(km !== null && { km }),
      ...(hours !== null && { hours }),
    };
    return { body, isSound: this.outcome()?.isSound ?? false };
  }
}

/** Of what a limit says of a reading, the reading alone: the rest stands on the job. */
const firstSentence = (text: string): string => /^.*?\.(?=\s[A-Z]|$)/.exec(text)?.[0] ?? text;

const systemWords = ({ nominalVolts, battery: { chemistry, count = 1, rating } }: System): string =>
  [
    count > 1 ? `${count} batteries` : 'Battery',
    CHEMISTRY_WORDS[chemistry],
    `${nominalVolts} V`,
    rating ? `${rating.value} A ${rating.standard}` : 'rating not known',
  ].join(', ');
