import { batteryCca } from '../../battery/rating';
import { usualCapacityAh } from '../../battery/standing';
import { warmAcceptance } from '../../battery/warm-acceptance';
import type { System } from '../../format/case-shape';
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
  'still-settling': ({ max, minutes }: { max: number; minutes: number }, voice: Voice) =>
    `More than ${voice.amps(max)}, so soon after the start: read it again ${voice.plain(minutes, 0)} min after it or later.`,
};
const say = sayer(phrases);

/** The plain figure is of a battery of this size, Ah, at 21 °C. */
const PLAIN_AH = 60;
/** Until so long after the start much may still be what the start took; up to so many times the figure is then asked for again. */
const SETTLED_MINUTES = 8;
const SETTLING = 2.5;

/** A larger battery, and a warm one, takes more: the plain figure is never undercut. */
function byBattery({ capacityAh }: System['battery'], cca: number | null, celsius: number): number {
  const capacity = capacityAh ?? (cca === null ? PLAIN_AH : usualCapacityAh(cca));
  return Math.max(1, capacity / PLAIN_AH) * Math.max(1, warmAcceptance(celsius));
}

/** Before that the battery takes back what the start took, whatever its state. Batteries in parallel share the current. */
export const intoBattery: Rule<IntoBattery> = {
  tests: ['battery-current'],
  fields: {
    maxAmps: { name: 'At most', unit: 'A', min: 0, max: 200 },
    fromMinutes: { name: 'From so long after the start', unit: 'min', min: 0, max: 60 },
  },
  phrases,
  resolve({ maxAmps, fromMinutes }, _value, { conditions: { minutesAfterStart }, system: { battery }, celsius }) {
    if (minutesAfterStart === undefined || minutesAfterStart < fromMinutes) return null;
    const inParallel = battery.arrangement === 'parallel' ? (battery.count ?? 2) : 1;
    const max = maxAmps * inParallel * byBattery(battery, batteryCca(battery), celsius);
    const bound = say('into-battery', { max, fromMinutes });
    if (minutesAfterStart >= SETTLED_MINUTES) return { max, drawn: { min: -Infinity, max }, bound };
    const most = max * SETTLING;
    return {
      max: most,
      drawn: { min: -Infinity, max },
      bound,
      near: { width: most - max, because: say('still-settling', { max, minutes: SETTLED_MINUTES }) },
    };
  },
};
