/** Which channel is what: by its name and unit, by what its figures can be, and by what a person chose. */
import { sampleCorrelation } from 'simple-statistics';
import type { ChannelRole } from './capture-format';
import { CaptureError } from './read/capture-fault';
import { clampScaleIn } from './read/column-names';
import type { RecordedChannel, Recording } from './recording';
import { quantilesOf } from './signal/stretch';

/** How a scale was found: told by the file, recognised by what is plausible, or chosen by a person. */
export type ScaleOrigin = 'told' | 'recognised' | 'chosen';

export interface MappedChannel {
  readonly name: string;
  readonly column: number;
  readonly role: ChannelRole;
  /** What a sample is multiplied by to be in V or A, sign included. */
  readonly scale: number;
  readonly origin: ScaleOrigin;
  /** The scale told by the file is off by this factor of ten; 1 where it is plausible. */
  readonly tellsOff: number;
}

export interface MappingChoice {
  readonly voltsColumn?: string | undefined;
  readonly ampsColumn?: string | undefined;
  readonly ampsPerVolt?: number | undefined;
  /** Roles chosen on the screen, by column number. */
  readonly roles?: Readonly<Record<number, ChannelRole>> | undefined;
}

const ROLE_NAMES: readonly (readonly [ChannelRole, RegExp])[] = [
  ['field', /field|duty|dfm?\b|command|excit|rotor/i],
  ['ground', /ground|gnd|earth|neg(ative)? (drop|side)/i],
  ['amps', /amp|curr|clamp|^i(_|\b)|shunt/i],
  ['volts', /volt|batt|post|^[uv](_|\b)|bat\b/i],
];

/** Samples looked at of every channel. */
const LOOKED_AT = 4000;
/** What a battery's volts can be in a start, V: lowest of the median, highest. */
const BATTERY_MEDIAN: readonly [number, number] = [5, 33];
/** A channel whose figures lie a thousand times higher is in millivolts. */
const MILLI = 1e-3;
/** Amps of a starter, and ohms of a battery, that are usual: median and standard deviation of the logarithm. */
const USUAL_AMPS = { median: 170, sd: 0.75 } as const;
const USUAL_OHMS = { median: 0.0095, sd: 0.5 } as const;
/** Factors between figures and amps: as such, or clamps of 1, 10, 100 mV per A told in volts or millivolts. */
const CLAMP_FACTORS = [1000, 100, 10, 1, 0.1, 0.01, 0.001] as const;
/** A scale that the file tells is doubted only where another is this much more plausible (logarithm of the odds). */
const DOUBTED_FROM = 2.5;
/** A dip smaller than this tells nothing of the scale, V per 12 V. */
const TELLING_DIP = 0.8;

/** The same samples of all channels, spread evenly. */
const thinned = ({ samples }: RecordedChannel): Float32Array => {
  const every = Math.max(1, Math.floor(samples.length / LOOKED_AT));
  return Float32Array.from({ length: Math.ceil(samples.length / every) }, (_, at) => samples[at * every]!);
};

const roleByName = ({ name, unit }: RecordedChannel): ChannelRole | null => {
  const named = ROLE_NAMES.find(([, pattern]) => pattern.test(name))?.[0];
  if (named) return named;
  return unit === '%' ? 'field' : unit === 'A' ? 'amps' : null;
};

interface Looked {
  readonly channel: RecordedChannel;
  readonly thin: Float32Array;
  readonly median: number;
  readonly high: number;
  readonly low: number;
}

/** What to multiply with to be the volts of a battery; null where they cannot be. */
function batteryScale({ channel, median }: Looked): number | null {
  if (channel.unit === 'A' || channel.unit === '%') return null;
  const scales = channel.unit === 'V' ? [1, -1] : [1, MILLI, -1];
  return scales.find((scale) => median * scale >= BATTERY_MEDIAN[0] && median * scale <= BATTERY_MEDIAN[1]) ?? null;
}

/** A battery keeps near its level: it falls by half at most, and is lifted by a third at most. */
const KEEPS_ABOVE = 0.3;
const KEEPS_BELOW = 1.4;
const keepsLevel = ({ low, median, high }: Looked, scale: number): boolean => {
  const ends = [low / median, high / median];
  return median * scale > 0 && Math.min(...ends) > KEEPS_ABOVE && Math.max(...ends) < KEEPS_BELOW;
};

/** A level that is left for a dip, seen in the spread of the figures. */
const dips = ({ low, median }: Looked, scale: number): number => (median - low) * Math.abs(scale);

function voltsChannel(
  looked: readonly Looked[],
  { voltsColumn, roles = {} }: MappingChoice,
): { at: number; scale: number } {
  const known = looked.map(({ channel }) => channel.name);
  const chosen = voltsColumn
    ? looked.findIndex(({ channel }) => isCalled(channel, voltsColumn))
    : looked.findIndex(({ channel }) => roles[channel.column] === 'volts');
  if (voltsColumn && chosen < 0) throw new CaptureError({ code: 'no-such-column', name: voltsColumn, known });
  if (chosen >= 0) return { at: chosen, scale: batteryScale(looked[chosen]!) ?? 1 };
  const able = looked
    .map((one, at) => ({ at, scale: batteryScale(one), name: roleByName(one.channel), dip: 0, one }))
    .filter(({ one, scale }) => scale !== null && roles[one.channel.column] === undefined)
    .map((entry) => ({ ...entry, scale: entry.scale!, dip: dips(entry.one, entry.scale!) }))
    .filter(({ name }) => name === null || name === 'volts')
    .map((entry) => ({ ...entry, worth: voltsWorth(entry.one, entry.scale, entry.name) }))
    .sort((a, b) => b.worth - a.worth || b.dip - a.dip);
  const best = able[0];
  if (!best) {
    if (looked.every(({ high, low }) => Math.abs(high) < 0.5 && Math.abs(low) < 0.5))
      throw new CaptureError({ code: 'silence' });
    throw new CaptureError({ code: 'no-volts', known });
  }
  return { at: best.at, scale: best.scale };
}

/** A name counts most, then a level that is kept, then a unit. */
const voltsWorth = (one: Looked, scale: number, name: ChannelRole | null): number =>
  (name === 'volts' ? 4 : 0) + (keepsLevel(one, scale) ? 2 : 0) + (one.channel.unit === 'V' ? 1 : 0);

const isCalled = ({ name, column }: RecordedChannel, wanted: string): boolean =>
  name.toLowerCase() === wanted.trim().toLowerCase() || String(column) === wanted.trim();

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

/** What to multiply the clamp's figures with to be amps out of the battery. */
function ampsScale(clamp: Looked, volts: Float32Array, told: number | null, choice: MappingChoice): Scale {
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
const isCapped = ({ thin, high, low }: Looked): boolean => {
  const top = Math.abs(high) > Math.abs(low) ? high : low;
  const near = thin.filter((value) => Math.abs(value - top) < Math.abs(high - low) * 0.02).length;
  const raised = thin.filter((value) => Math.abs(value) > Math.abs(top) * 0.5).length;
  return raised > 10 && near > raised * 0.6;
};

/** Nominal volts over 12, from the resting level. */
export const nominalScale = (volts: Float32Array): number => {
  const [level] = quantilesOf(volts, [0.6]) as [number];
  return level > 18 ? 2 : level < 8 ? 0.5 : 1;
};

/** A current follows the dips of the volts; what is flat or unrelated does not. */
const follows = (volts: Float32Array, other: Float32Array): number => {
  const count = Math.min(volts.length, other.length);
  const [a, b] = [Array.from(volts.subarray(0, count)), Array.from(other.subarray(0, count))];
  const correlation = sampleCorrelation(a, b);
  return Number.isFinite(correlation) ? Math.abs(correlation) : 0;
};

/** From this likeness to the volts an unnamed channel is taken for the clamp. */
const FOLLOWS_FROM = 0.5;

/** A command switches between two levels. */
function isSwitched({ thin, high, low }: Looked): boolean {
  if (!(high - low > 0)) return false;
  const between = thin.filter((value) => value > low + (high - low) * 0.2 && value < low + (high - low) * 0.8).length;
  const up = thin.filter((value) => value >= low + (high - low) * 0.8).length;
  return between < thin.length * 0.1 && up > thin.length * 0.05;
}

/**
 * @throws CaptureError where no channel can be the volts of a battery, or a chosen column is not there.
 */
export function mapChannels(recording: Recording, choice: MappingChoice = {}): readonly MappedChannel[] {
  const looked = recording.channels.map((channel): Looked => {
    const thin = thinned(channel);
    const [low, median, high] = quantilesOf(thin, [0.002, 0.5, 0.998]) as [number, number, number];
    return { channel, thin, low, median, high };
  });
  const volts = voltsChannel(looked, choice);
  const voltsThin = looked[volts.at]!.thin.map((value) => value * volts.scale);
  const ampsAt = ampsChannel(looked, volts.at, voltsThin, choice);
  return looked.map((one, at): MappedChannel => {
    const { name, column, unit } = one.channel;
    if (at === volts.at) {
      const origin = unit === 'V' && volts.scale === 1 ? 'told' : 'recognised';
      return { name, column, role: 'volts', scale: volts.scale, origin, tellsOff: 1 };
    }
    if (at === ampsAt)
      return { name, column, role: 'amps', ...ampsScale(one, voltsThin, recording.clampMillivoltsPerAmp, choice) };
    const role = otherRole(one, choice);
    return { name, column, role, scale: 1, origin: choice.roles?.[column] ? 'chosen' : 'told', tellsOff: 1 };
  });
}

function ampsChannel(
  looked: readonly Looked[],
  voltsAt: number,
  volts: Float32Array,
  { ampsColumn, roles = {} }: MappingChoice,
): number | null {
  if (ampsColumn) {
    const at = looked.findIndex(({ channel }) => isCalled(channel, ampsColumn));
    if (at < 0)
      throw new CaptureError({
        code: 'no-such-column',
        name: ampsColumn,
        known: looked.map(({ channel }) => channel.name),
      });
    return at;
  }
  const chosen = looked.findIndex(({ channel }) => roles[channel.column] === 'amps');
  if (chosen >= 0) return chosen;
  const able = looked
    .map((one, at) => ({ at, one, role: roleByName(one.channel), likeness: follows(volts, one.thin) }))
    .filter(
      ({ at, one, role }) =>
        at !== voltsAt && roles[one.channel.column] === undefined && role !== 'field' && role !== 'ground',
    )
    .sort((a, b) => Number(b.role === 'amps') - Number(a.role === 'amps') || b.likeness - a.likeness);
  const best = able[0];
  return best && (best.role === 'amps' || (best.role === null && best.likeness > FOLLOWS_FROM)) ? best.at : null;
}

const otherRole = (one: Looked, { roles = {} }: MappingChoice): ChannelRole => {
  const chosen = roles[one.channel.column];
  if (chosen) return chosen;
  const named = roleByName(one.channel);
  if (named === 'field' || named === 'ground') return named;
  return named === null && isSwitched(one) ? 'field' : 'unused';
};
