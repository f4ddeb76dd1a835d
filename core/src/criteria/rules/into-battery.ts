import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import type { Rule } from './rule';

/** At most these amps into each battery, from so many minutes after the start on. */
export interface IntoBattery {
  readonly maxAmps: number;
  readonly fromMinutes: number;
}

const phrases = {
  'into-battery': ({ max, fromMinutes }: { max: number; fromMinutes: number }, voice: Voice) =>
    `at most ${voice.amps(max)} from ${voice.plain(fromMinutes, 0)} min after the start`,
};
const say = sayer(phrases);

/** Before that the battery takes back what the start took, whatever its state. Batteries in parallel share the current. */
export const intoBattery: Rule<IntoBattery> = {
  fields: {
    maxAmps: { name: 'At most', unit: 'A', min: 0, max: 200 },
    fromMinutes: { name: 'From so long after the start', unit: 'min', min: 0, max: 60 },
  },
  phrases,
  resolve({ maxAmps, fromMinutes }, _value, { conditions: { minutesAfterStart }, system: { battery } }) {
    if (minutesAfterStart === undefined || minutesAfterStart < fromMinutes) return null;
    const max = maxAmps * (battery.arrangement === 'parallel' ? (battery.count ?? 2) : 1);
    return { max, drawn: { min: -Infinity, max }, bound: say('into-battery', { max, fromMinutes }) };
  },
};
