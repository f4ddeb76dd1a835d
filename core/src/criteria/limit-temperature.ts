/**
 * What a limit does with temperature. Each limit of the shipped sets says it: its figure moves with the cold, or it does not,
 * and this is why.
 */

/** Why the figure of a limit stays as it is. */
export const TEMPERATURE_REASONS = {
  'by-rule': 'Its rule brings it to the temperature of the vehicle itself.',
  compared: 'What is compared was read at the same temperature.',
  corrected: 'Testers bring their figure to 25 °C themselves.',
  kinder: 'Cold only makes a sound vehicle read better.',
  hardly: 'Temperature moves it by less than its borderline zone.',
  counted: 'It is counted, or a diode’s one way: no temperature changes that.',
} as const;
export type TemperatureReason = keyof typeof TEMPERATURE_REASONS;

export type LimitTemperature =
  | {
      /** What its figures are multiplied by at −18 °C; as written at 21 °C and above, in proportion between, on beyond. */
      readonly atMinus18: number;
    }
  | { readonly none: TemperatureReason };

const WARM_CELSIUS = 21;
const COLD_CELSIUS = -18;
/** Colder than this nothing is told of any limit, °C. */
const MIN_CELSIUS = -30;

/** @param celsius Temperature, °C. @returns what the figures of such a limit are multiplied by. */
export function temperatureFactor(temperature: LimitTemperature | undefined, celsius: number): number {
  if (!temperature || !('atMinus18' in temperature)) return 1;
  const cold = Math.max(0, (WARM_CELSIUS - Math.max(celsius, MIN_CELSIUS)) / (WARM_CELSIUS - COLD_CELSIUS));
  return 1 + (temperature.atMinus18 - 1) * cold;
}

/** What a limit does with temperature, as a sentence. */
export function temperatureWords(temperature: LimitTemperature | undefined): string {
  if (temperature === undefined) return 'Its figure is the same at every temperature.';
  return 'none' in temperature
    ? TEMPERATURE_REASONS[temperature.none]
    : `At ${COLD_CELSIUS} °C ${temperature.atMinus18} times the figure at ${WARM_CELSIUS} °C, in proportion between.`;
}
