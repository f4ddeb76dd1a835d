import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import type { TestName } from '../../format/names';
import { scaledZone } from './rule';
import type { Rule } from './rule';

/** Within this many volts (12 V) of the target that was read from the vehicle. */
export interface Commanded {
  readonly tolerance: number;
}

const phrases = {
  commanded: (w: { test: TestName; min: number; max: number; target: number }, voice: Voice) =>
    `${voice.range(w.test, w)} (target ${voice.volts(w.target)})`,
};
const say = sayer(phrases);

export const commanded: Rule<Commanded> = {
  fields: {
    tolerance: { name: 'From its target', unit: 'V', min: 0, max: 2 },
  },
  zone: scaledZone,
  phrases,
  resolve({ tolerance }, _value, { test, conditions, scale }) {
    const target = conditions.commandedVolts;
    if (target === undefined) return null;
    const [min, max] = [target - tolerance * scale, target + tolerance * scale];
    return { min, max, drawn: { min, max }, bound: say('commanded', { test, min, max, target }) };
  },
};
