/** What tests of one kind share: unit and physical domain. */
import type { Test } from './test';

type Measure = Pick<Test, 'unit' | 'domain' | 'usual' | 'scales' | 'kind'>;

/** Volts at a battery's posts, or at any point that a battery feeds, per 12 V nominal. */
export const POST_VOLTS: Measure = { unit: 'V', domain: [0, 20], usual: 12.5, scales: true, kind: 'number' };
/** Volts across a path: either sign, since the leads may be swapped. */
export const DROP_VOLTS: Measure = { ...POST_VOLTS, domain: [-16, 16], usual: 0.1 };

/**
 * Amps between these ends.
 *
 * @param min Least that can be entered, A.
 * @param max Most that can be entered, A.
 * @param usual A usual figure, A.
 */
export const ampsBetween = (min: number, max: number, usual: number): Measure => ({
  unit: 'A',
  domain: [min, max],
  usual,
  scales: false,
  kind: 'number',
});
