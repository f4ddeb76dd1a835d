/** Which channel is what: by its name and unit, by what its figures can be, and by what a person chose. */
import { sampleCorrelation } from 'simple-statistics';
import type { ChannelRole } from '../format/capture-format';
import { ampsScale } from './clamp-scale';
import type { MappedChannel, MappingChoice } from './channel-mapping';
import { lookAt } from './looked-at';
import type { LookedAt } from './looked-at';
import { CaptureError } from './read/capture-fault';
import type { RecordedChannel, Recording } from './recording';

const ROLE_NAMES: readonly (readonly [ChannelRole, RegExp])[] = [
  ['field', /field|duty|dfm?\b|command|excit|rotor/i],
  ['ground', /ground|gnd|earth|neg(ative)? (drop|side)/i],
  ['amps', /amp|curr|clamp|^i(_|\b)|shunt/i],
  ['volts', /volt|batt|post|^[uv](_|\b)|bat\b/i],
];

/** What a battery's volts can be in a start, V: lowest of the median, highest. */
const BATTERY_MEDIAN: readonly [number, number] = [5, 33];
/** A channel whose figures lie a thousand times higher is in millivolts. */
const MILLI = 1e-3;
const roleByName = ({ name, unit }: RecordedChannel): ChannelRole | null => {
  const named = ROLE_NAMES.find(([, pattern]) => pattern.test(name))?.[0];
  if (named) return named;
  return unit === '%' ? 'field' : unit === 'A' ? 'amps' : null;
};

/** What to multiply with to be the volts of a battery; null where they cannot be. */
function batteryScale({ channel, median }: LookedAt): number | null {
  if (channel.unit === 'A' || channel.unit === '%') return null;
  const scales = channel.unit === 'V' ? [1, -1] : [1, MILLI, -1];
  return scales.find((scale) => median * scale >= BATTERY_MEDIAN[0] && median * scale <= BATTERY_MEDIAN[1]) ?? null;
}

/** A battery keeps near its level: it falls by half at most, and is lifted by a third at most. */
const KEEPS_ABOVE = 0.3;
const KEEPS_BELOW = 1.4;
const keepsLevel = ({ low, median, high }: LookedAt, scale: number): boolean => {
  const ends = [low / median, high / median];
  return median * scale > 0 && Math.min(...ends) > KEEPS_ABOVE && Math.max(...ends) < KEEPS_BELOW;
};

/** A level that is left for a dip, seen in the spread of the figures. */
const dips = ({ low, median }: LookedAt, scale: number): number => (median - low) * Math.abs(scale);

function voltsChannel(
  looked: readonly LookedAt[],
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
const voltsWorth = (one: LookedAt, scale: number, name: ChannelRole | null): number =>
  (name === 'volts' ? 4 : 0) + (keepsLevel(one, scale) ? 2 : 0) + (one.channel.unit === 'V' ? 1 : 0);

const isCalled = ({ name, column }: RecordedChannel, wanted: string): boolean =>
  name.toLowerCase() === wanted.trim().toLowerCase() || String(column) === wanted.trim();

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
function isSwitched({ thin, high, low }: LookedAt): boolean {
  if (!(high - low > 0)) return false;
  const between = thin.filter((value) => value > low + (high - low) * 0.2 && value < low + (high - low) * 0.8).length;
  const up = thin.filter((value) => value >= low + (high - low) * 0.8).length;
  return between < thin.length * 0.1 && up > thin.length * 0.05;
}

/**
 * @throws CaptureError where no channel can be the volts of a battery, or a chosen column is not there.
 */
export function mapChannels(recording: Recording, choice: MappingChoice = {}): readonly MappedChannel[] {
  const looked = recording.channels.map(lookAt);
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
  looked: readonly LookedAt[],
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

const otherRole = (one: LookedAt, { roles = {} }: MappingChoice): ChannelRole => {
  const chosen = roles[one.channel.column];
  if (chosen) return chosen;
  const named = roleByName(one.channel);
  if (named === 'field' || named === 'ground') return named;
  return named === null && isSwitched(one) ? 'field' : 'unused';
};
