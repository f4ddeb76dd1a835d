/** Conditions a reading may carry: what each is, in which unit, and what it may be. */
import { EXCITATION_TERMINALS, FUSE_FORMS, READING_METHODS } from './words';

interface FlagCondition {
  readonly type: 'flag';
  readonly name: string;
}
export interface NumberCondition {
  readonly type: 'number';
  readonly name: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
}
interface WordCondition {
  readonly type: 'word';
  readonly name: string;
  readonly words: readonly string[];
}
/** A name that somebody gives: of a fuse. */
interface TextCondition {
  readonly type: 'text';
  readonly name: string;
  readonly longest: number;
}
export type ConditionRow = FlagCondition | NumberCondition | WordCondition | TextCondition;

const figure = (name: string, unit: string, min: number, max: number): NumberCondition => ({
  type: 'number',
  name,
  unit,
  min,
  max,
});
const flag = (name: string): FlagCondition => ({ type: 'flag', name });

export const CONDITIONS = {
  surfaceChargeRemoved: flag('Surface charge removed'),
  minutesSinceCharge: figure('Minutes since charge', 'min', 0, 1e6),
  amps: figure('Current', 'A', 0, 5000),
  seconds: figure('Duration', 's', 0, 3600),
  attempt: figure('Attempt', '', 1, 99),
  chargedBefore: flag('Fully charged before'),
  electrolyteCelsius: figure('Electrolyte', '°C', -60, 90),
  volts: figure('Charger voltage', 'V', 0, 60),
  minutes: figure('Minutes', 'min', 0, 1e5),
  hours: figure('Hours standing', 'h', 0, 1e5),
  startVolts: figure('Voltage at the start', 'V', 0, 60),
  method: { type: 'word', name: 'Method', words: READING_METHODS },
  clampCeilingAmps: figure('Clamp ceiling', 'A', 0, 1e4),
  zeroOffsetAmps: figure('Clamp zero offset', 'A', -1000, 1000),
  secondsAfter: figure('Seconds after', 's', 0, 3600),
  rpm: figure('Engine speed', 'rpm', 0, 12000),
  loads: { type: 'word', name: 'Loads', words: ['off', 'on'] },
  minutesAfterStart: figure('Minutes after start', 'min', 0, 1e5),
  commandedVolts: figure('Commanded target', 'V', 0, 60),
  systemVolts: figure('System voltage', 'V', 0, 60),
  fieldPercent: figure('Field command', '%', 0, 100),
  at: { type: 'word', name: 'Measured at', words: ['battery', 'alternator'] },
  humpsMissing: figure('Humps missing of six', '', 0, 6),
  minutesAsleep: figure('Minutes asleep', 'min', 0, 1e5),
  offsetVolts: figure('Difference to the post', 'V', -5, 5),
  pulled: { type: 'text', name: 'Fuse pulled', longest: 40 },
  fuse: { type: 'text', name: 'Fuse', longest: 40 },
  fuseRating: figure('Fuse rating', 'A', 0.5, 500),
  isolated: figure('The battery that cranked alone', '', 1, 3),
  percentOfRating: figure('Per cent of the rating, as printed', '%', 0, 400),
  temperatureCorrected: flag('Corrected to 21 °C by the tester'),
  enableVolts: figure('Enable voltage by the maker', 'V', 0, 60),
  terminal: { type: 'word', name: 'Terminal', words: EXCITATION_TERMINALS },
  fuseType: { type: 'word', name: 'Fuse form', words: FUSE_FORMS },
} as const satisfies Record<string, ConditionRow>;

export type ConditionName = keyof typeof CONDITIONS;

/** What a reading's conditions may hold, typed. */
export type ReadingConditions = {
  readonly [K in ConditionName]?: (typeof CONDITIONS)[K] extends FlagCondition
    ? boolean
    : (typeof CONDITIONS)[K] extends TextCondition
      ? string
      : (typeof CONDITIONS)[K] extends { readonly words: readonly (infer W)[] }
        ? W
        : number;
};
