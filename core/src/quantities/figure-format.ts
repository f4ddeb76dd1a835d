import { FAHRENHEIT_A_CELSIUS, toFahrenheit } from './temperature';

/** How a person wants figures written; files always hold plain SI. */
export interface FigureChoice {
  readonly decimal: 'point' | 'comma';
  readonly temperature: 'C' | 'F';
  /** Drops and ripple under half a volt: in millivolts, or in volts with three decimals. */
  readonly smallVolts: 'mV' | 'V';
}

/** What files and the command line are written with. */
export const PLAIN_FIGURES: FigureChoice = { decimal: 'point', temperature: 'C', smallVolts: 'mV' };

/** The one way from a number to its text. */
export interface FigureFormat {
  /** A number with so many decimals and the person's decimal mark. */
  plain(value: number, decimals: number): string;
  /** A value of a unit with the trade's usual decimals: V, A, ohm, rpm, %, SG, °C, min, s, h, Ah, l. */
  quantity(value: number, unit: string): string;
  volts(value: number): string;
  amps(value: number): string;
  ohms(value: number): string;
  celsius(value: number): string;
  /** Volts for each degree. @param value V per °C. */
  perDegree(value: number): string;
  /** Volts of a drop or of ripple. */
  smallVolts(value: number): string;
  /** A share of one as a whole percentage. */
  share(value: number): string;
  /** A probability: never quite certain. */
  probability(value: number): string;
  /** A probability that nothing measured speaks for yet: in steps of 5 %, with what it comes to. */
  guess(value: number): string;
  /**
   * A value with the digits its instrument showed.
   *
   * @param unit As in `quantity`.
   * @param resolution The step of the last digit shown, in that unit.
   * @param isSmall Told in millivolts where it is small, like a drop.
   */
  shown(value: number, unit: string, resolution: number, isSmall?: boolean): string;
  /** A figure with the decimals it was given with, at most three. */
  asGiven(value: number): string;
}

/** Decimals of a value of a unit. */
const DECIMALS: Readonly<Record<string, number>> = { V: 2, A: 0, rpm: 0, '%': 0, SG: 3, min: 0, s: 0, h: 1 };
/** Under this, drops and ripple are told in millivolts, V. */
const SMALL_VOLTS = 0.5;
/** Under this tenths are told where there are any, mV. */
const TENTHS_UNDER_MV = 5;
/** Under these, amps are told in milliamps, and with one decimal. */
const MILLIAMPS_UNDER_A = 1;
const TENTHS_UNDER_A = 20;
/** Probabilities beyond these are told as such. */
const CERTAIN = 0.99;
const UNLIKELY = 0.01;
/** A guess is no finer than this. */
const GUESS_STEP = 0.05;
const LIKELY_FROM = 0.5;
const MAX_DECIMALS = 3;

const POWERS: readonly number[] = [1, 10, 100, 1000];
/** Nearer to the middle between two figures than this, only the exact way decides. */
const TIE = 1e-6;

/** The same text as `toFixed`, which is exact and slow: most figures are far from the middle between two. */
function fixed(value: number, decimals: number): string {
  const power = POWERS[decimals];
  const scaled = Math.abs(value) * (power ?? NaN);
  const whole = Math.round(scaled);
  if (power === undefined || !(scaled < 1e9) || Math.abs(Math.abs(scaled - whole) - 0.5) < TIE)
    return value.toFixed(decimals);
  const sign = value < 0 ? '-' : '';
  if (decimals === 0) return sign + whole;
  const rest = whole % power;
  return `${sign}${(whole - rest) / power}.${String(rest).padStart(decimals, '0')}`;
}

/** Decimals that show a step of this size. */
const decimalsOf = (step: number): number => Math.min(MAX_DECIMALS, Math.max(0, Math.round(-Math.log10(step))));

/** @param choice What the person at this device wants; {@link PLAIN_FIGURES} for files. */
export function figureFormat(choice: FigureChoice = PLAIN_FIGURES): FigureFormat {
  const plain = (value: number, decimals: number): string => {
    const text = fixed(value, decimals);
    const unsigned = value < 0 && Number(text) === 0 ? text.slice(1) : text;
    return choice.decimal === 'comma' ? unsigned.replace('.', ',') : unsigned;
  };
  const volts = (value: number): string => `${plain(value, 2)} V`;
  const smallVolts = (value: number): string => {
    if (Math.abs(value) >= SMALL_VOLTS) return volts(value);
    if (choice.smallVolts === 'V') return `${plain(value, 3)} V`;
    const millivolts = value * 1000;
    // across a fuse tenths count
    const hasTenths = Math.abs(millivolts) < TENTHS_UNDER_MV && Math.round(millivolts * 10) % 10 !== 0;
    return `${plain(millivolts, hasTenths ? 1 : 0)} mV`;
  };
  const ohms = (value: number): string => `${plain(value * 1000, 1)} mΩ`;
  const celsius = (value: number): string =>
    choice.temperature === 'F' ? `${plain(toFahrenheit(value), 0)} °F` : `${plain(value, 0)} °C`;
  const perDegree = (value: number): string =>
    choice.temperature === 'F' ? `${smallVolts(value / FAHRENHEIT_A_CELSIUS)} per °F` : `${smallVolts(value)} per °C`;
  const share = (value: number): string => `${plain(value * 100, 0)} %`;
  const amps = (value: number): string => {
    const size = Math.abs(value);
    if (value !== 0 && size < MILLIAMPS_UNDER_A) return `${plain(value * 1000, 0)} mA`;
    return `${plain(value, size < TENTHS_UNDER_A ? 1 : 0)} A`;
  };
  const quantity = (value: number, unit: string): string => {
    if (unit === 'ohm') return ohms(value);
    if (unit === 'A') return amps(value);
    if (unit === '°C') return celsius(value);
    if (unit === 'SG') return plain(value, 3);
    return `${plain(value, DECIMALS[unit] ?? 2)} ${unit}`.trim();
  };
  const inThousandths = (value: number, unit: string, step: number): string =>
    `${plain(value * 1000, decimalsOf(step * 1000))} ${unit}`;
  const shown = (value: number, unit: string, resolution: number, isSmall = false): string => {
    const size = Math.abs(value);
    if (unit === 'V' && isSmall && size < SMALL_VOLTS && choice.smallVolts === 'mV')
      return inThousandths(value, 'mV', resolution);
    if (unit === 'A' && value !== 0 && size < MILLIAMPS_UNDER_A) return inThousandths(value, 'mA', resolution);
    if (unit === 'ohm') return inThousandths(value, 'mΩ', resolution);
    return unit === 'V' || unit === 'A' ? `${plain(value, decimalsOf(resolution))} ${unit}` : quantity(value, unit);
  };
  return {
    plain,
    volts,
    amps,
    ohms,
    celsius,
    share,
    smallVolts,
    perDegree,
    probability: (value) =>
      value > CERTAIN ? `over ${share(CERTAIN)}` : value < UNLIKELY ? `under ${share(UNLIKELY)}` : share(value),
    guess: (value) => {
      const rounded = Math.max(GUESS_STEP, Math.round(value / GUESS_STEP) * GUESS_STEP);
      return `${rounded >= LIKELY_FROM ? 'likely' : 'possible'}, ${share(rounded)}`;
    },
    asGiven: (value) => plain(value, Math.min(MAX_DECIMALS, (String(value).split('.')[1] ?? '').length)),
    quantity,
    shown,
  };
}
