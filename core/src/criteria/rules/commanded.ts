import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import type { TestName } from '../../format/names';
import { scaledZone } from './rule';
import type { Rule } from './rule';

/**
 * Within this many volts (12 V) of the target that was read from the vehicle. Where nobody read the target, only what lies
 * beyond every target is told: under `minVolts` nothing is commanded, over `maxVolts` any battery is overcharged.
 */
export interface Commanded {
  readonly tolerance: number;
  readonly minVolts?: number;
  readonly maxVolts?: number;
}

/** Lowest and highest target (12 V) of a set that tells none, V. */
const TARGETS = { min: 12.5, max: 15 } as const;

/** Lowest and highest target that is commanded, V per 12 V. */
export const targetsOf = ({ minVolts = TARGETS.min, maxVolts = TARGETS.max }: Partial<Commanded>) => ({
  min: minVolts,
  max: maxVolts,
});

const phrases = {
  commanded: (w: { test: TestName; min: number; max: number; target: number }, voice: Voice) =>
    `${voice.range(w.test, w)} (target ${voice.volts(w.target)})`,
  'commanded-untold': (w: { test: TestName; min: number; max: number }, voice: Voice) =>
    `${voice.range(w.test, w)}, whatever is commanded`,
};
const say = sayer(phrases);

export const commanded: Rule<Commanded> = {
  tests: ['charging-voltage'],
  fields: {
    tolerance: { name: 'From its target', unit: 'V', min: 0, max: 2 },
    minVolts: { name: 'Lowest target', unit: 'V', min: 11, max: 15, isOptional: true },
    maxVolts: { name: 'Highest target', unit: 'V', min: 13, max: 17, isOptional: true },
  },
  zone: scaledZone,
  phrases,
  resolve(figures, value, { test, conditions, scale }) {
    const target = conditions.commandedVolts;
    if (target !== undefined) {
      const [min, max] = [target - figures.tolerance * scale, target + figures.tolerance * scale];
      return { min, max, drawn: { min, max }, bound: say('commanded', { test, min, max, target }) };
    }
    const targets = targetsOf(figures);
    const [min, max] = [targets.min * scale, targets.max * scale];
    return value < min || value > max
      ? { min, max, drawn: { min, max }, bound: say('commanded-untold', { test, min, max }) }
      : null;
  },
};
