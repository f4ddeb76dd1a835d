/** What is typed of one vehicle of a round, understood: readings, observations, and what does not fit. */
import { outsidePhysics, parseEntry, unitVolts } from '@tetrad/core';
import type { FigureChoice, NominalVolts, ObservationName, Reading, ReadingConditions, System } from '@tetrad/core';
import { entryProblem } from '../kit/entry-problem';
import { countOf } from '../kit/forms/count';
import { celsiusOf } from '../label/typed-celsius';

/** How cranking voltage is read: a limit holds for its method. */
export type CrankingMethod = 'watched' | 'min-max';

export interface CheckDraft {
  readonly celsius: string;
  /** One text for each battery. */
  readonly resting: readonly string[];
  readonly cranking: string;
  readonly charging: string;
  /** The target of a commanded alternator; empty of a fixed one. */
  readonly target: string;
  readonly ripple: string;
  readonly terminals: string | null;
  readonly belt: string | null;
  readonly km: string;
  readonly hours: string;
  readonly comment: string;
}
export const EMPTY_CHECK: CheckDraft = {
  celsius: '',
  resting: [''],
  cranking: '',
  charging: '',
  target: '',
  ripple: '',
  terminals: null,
  belt: null,
  km: '',
  hours: '',
  comment: '',
};

/** What holds for the whole round. */
export interface CheckHabits {
  readonly method: CrankingMethod;
  /** The batteries have rested, or their surface charge was taken off. */
  readonly isRested: boolean;
}

export type CheckField =
  'celsius' | `resting-${number}` | 'cranking' | 'charging' | 'target' | 'ripple' | 'km' | 'hours';
export interface UnderstoodCheck {
  /** Each with the field it was typed in. */
  readonly readings: readonly { readonly field: CheckField; readonly reading: Reading }[];
  readonly seen: readonly { readonly about: ObservationName; readonly finding: string }[];
  readonly celsius: number | null;
  readonly km: number | null;
  readonly hours: number | null;
  readonly problems: Readonly<Partial<Record<CheckField, string>>>;
}

/** The engine runs at about this speed while charging and ripple are read, rpm. */
export const CHECK_RPM = 2000;

/** @param readWith What is stored with a reading in volts: its instrument. */
export function understoodCheck(
  draft: CheckDraft,
  system: System,
  { method, isRested }: CheckHabits,
  choice: FigureChoice,
  readWith: Pick<Reading, 'instrument' | 'uncertainty'>,
): UnderstoodCheck {
  const problems: Partial<Record<CheckField, string>> = {};
  const readings: { field: CheckField; reading: Reading }[] = [];
  const batteries = system.battery.count ?? 1;

  const figure = (field: CheckField, typed: string): { value: number; resolution: number } | null => {
    const entry = parseEntry(typed, 'V');
    if (entry.ok) return entry;
    if (entry.fault.code !== 'empty') problems[field] = entryProblem(entry.fault);
    return null;
  };
  const volts = (
    field: CheckField,
    typed: string,
    test: Reading['test'],
    conditions: ReadingConditions,
    battery: number | null = null,
  ): void => {
    const entry = figure(field, typed);
    if (!entry) return;
    const nominal: NominalVolts = battery === null ? system.nominalVolts : unitVolts(system);
    const wrong = outsidePhysics({ test, value: entry.value }, nominal);
    if (wrong) {
      problems[field] = `${entry.value} V cannot be: ${wrong.min} to ${wrong.max} V.`;
      return;
    }
    const { value, resolution } = entry;
    const own = battery === null ? {} : { battery };
    readings.push({ field, reading: { id: field, test, value, resolution, conditions, ...own, ...readWith } });
  };
  const whole = (field: 'km' | 'hours', typed: string, max: number): number | null => {
    const count = countOf(typed);
    if (count === undefined) return null;
    if (typeof count === 'number' && count <= max) return count;
    problems[field] = `Found “${typed}”; allowed is a whole number, 0 to ${max}.`;
    return null;
  };

  const temperature = celsiusOf(draft.celsius, choice);
  if (!temperature.ok && temperature.fault.code !== 'empty') problems.celsius = entryProblem(temperature.fault);
  draft.resting.slice(0, batteries).forEach((typed, at) => {
    volts(
      `resting-${at}`,
      typed,
      'resting-voltage',
      isRested ? { surfaceChargeRemoved: true } : {},
      batteries > 1 ? at + 1 : null,
    );
  });
  volts('cranking', draft.cranking, 'cranking-voltage', { method, seconds: 5 });
  const target = figure('target', draft.target);
  volts('charging', draft.charging, 'charging-voltage', {
    rpm: CHECK_RPM,
    loads: 'off',
    ...(target && { commandedVolts: target.value }),
  });
  volts('ripple', draft.ripple, 'ripple-ac', { rpm: CHECK_RPM, loads: 'on', at: 'battery' });
  const seen = (['terminals', 'belt'] as const).flatMap((about) => {
    const finding = draft[about];
    return finding === null ? [] : [{ about, finding }];
  });
  return {
    readings,
    seen,
    celsius: temperature.ok ? temperature.value : null,
    km: whole('km', draft.km, 10_000_000),
    hours: whole('hours', draft.hours, 1_000_000),
    problems,
  };
}
