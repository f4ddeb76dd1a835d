/** What a clamp's figures are multiplied with to be amps: told by the file, recognised, or chosen. */
import type { MappingChoice, ScaleOrigin } from './channel-mapping';
import { clampScaleIn } from './read/column-names';
import type { LookedAt } from './looked-at';
import { quantilesOf } from './signal/stretch';

/** Amps of a starter, and ohms of a battery, that are usual: median and standard deviation of the logarithm. */
const USUAL_AMPS = { median: 170, sd: 0.75 } as const;
const USUAL_OHMS = { median: 0.0095, sd: 0.5 } as const;
/** Factors between figures and amps: as such, or clamps of 1, 10, 100 mV per A told in volts or millivolts. */
const CLAMP_FACTORS = [1000, 100, 10, 1, 0.1, 0.01, 0.001] as const;
/** A scale that the file tells is doubted only where another is this much more plausible (logarithm of the odds). */
const DOUBTED_FROM = 2.5;
/** A dip smaller than this tells nothing of the scale, V per 12 V. */
const TELLING_DIP = 0.8;

/** Nominal volts over 12, from the resting level. */
export const nominalScale = (volts: Float32Array): number => {
  const [level] = quantilesOf(volts, [0.6]) as [number];
  return level > 18 ? 2 : level < 8 ? 0.5 : 1;
};

interface Dip {
  readonly volts: number;
  readonly raw: number;
}

/** Share of the samples before the deepest that lie below rest: most of a long crank may stand there. */
const BEFORE = 0.95;

/** Volts lost and figure of the clamp in the deepest part of the start. */
function dipOf(volts: Float32Array, figures: Float32Array): Dip | null {
  const lowest = volts.indexOf(volts.reduce((least, value) => Math.min(least, value), Infinity));
  const before = volts.subarray(0, lowest);
  const [rest] = quantilesOf(before.length > 3 ? before : volts, [BEFORE]) as [number];
  const [low] = quantilesOf(volts, [0.005]) as [number];
  const below = rest - (rest - low) * 0.25;
  let count = 0;
  let lost = 0;
  let raw = 0;
  for (let at = 0; at < volts.length; at++)
    if (volts[at]! < below) {
      count++;
      lost += rest - volts[at]!;
      raw += figures[at]!;
    }
  return count >= 3 ? { volts: lost / count, raw: raw / count } : null;
}

/** Logarithm of how plausible so many amps for so many volts lost are. */
const plausibility = (amps: number, volts: number, nominal: number): number => {
  const byAmps = Math.log(amps / USUAL_AMPS.median) / USUAL_AMPS.sd;
  const byOhms = Math.log(volts / amps / (USUAL_OHMS.median * nominal)) / USUAL_OHMS.sd;
  return -(byAmps ** 2 + byOhms ** 2) / 2;
};

interface Scale {
  readonly scale: number;
  readonly origin: ScaleOrigin;
  readonly tellsOff: number;
}

/**
 * What to multiply the clamp's figures with to be amps out of the battery.
 *
 * @param volts The same start's volts.
 * @param told What the file says of the clamp, mV per A; null where it says nothing.
 * @param choice The technician's own choice goes before all.
 */
export function ampsScale(clamp: LookedAt, volts: Float32Array, told: number | null, choice: MappingChoice): Scale {
  const nominal = nominalScale(volts);
  const dip = dipOf(volts, clamp.thin);
  const sign = dip && dip.raw < 0 ? -1 : 1;
  if (choice.ampsPerVolt !== undefined) return { scale: sign * choice.ampsPerVolt, origin: 'chosen', tellsOff: 1 };
  const inNames = told ?? clampScaleIn(clamp.channel.name);
  const fromFile = clamp.channel.unit === 'A' ? 1 : inNames !== null ? 1000 / inNames : null;
  const isTelling = dip !== null && dip.volts > TELLING_DIP * nominal && dip.raw !== 0;
  const worth = (factor: number): number =>
    isTelling ? plausibility(Math.abs(dip.raw) * factor, dip.volts, nominal) : 0;
  if (fromFile === null) {
    if (!isTelling) return { scale: sign, origin: 'recognised', tellsOff: 1 };
    const best = CLAMP_FACTORS.reduce((a, b) => (worth(b) > worth(a) ? b : a));
    return { scale: sign * best, origin: 'recognised', tellsOff: 1 };
  }
  const others = isTelling && !isCapped(clamp) ? [0.1, 10, 0.01, 100] : [];
  const tellsOff = others.reduce(
    (best, other) =>
      worth(fromFile * other) > worth(fromFile * best) + (best === 1 ? DOUBTED_FROM : 0) ? other : best,
    1,
  );
  return { scale: sign * fromFile * tellsOff, origin: tellsOff === 1 ? 'told' : 'recognised', tellsOff };
}

/** A clamp that stays at its highest figure: what it shows is no current, and tells nothing of its scale. */
const isCapped = ({ thin, high, low }: LookedAt): boolean => {
  const top = Math.abs(high) > Math.abs(low) ? high : low;
  const near = thin.filter((value) => Math.abs(value - top) < Math.abs(high - low) * 0.02).length;
  const raised = thin.filter((value) => Math.abs(value) > Math.abs(top) * 0.5).length;
  return raised > 10 && near > raised * 0.6;
};
