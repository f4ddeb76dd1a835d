import type { Reading } from '../case/case-shape';
import { TESTS } from '../case/vocabulary';
import type { NominalVolts, TestName } from '../case/vocabulary';
import { likelySlip } from '../quantities/likely-slip';
import type { Slip } from '../quantities/likely-slip';

/** A value that no vehicle can show, the range it must lie in, and what was probably meant. */
export interface Impossible {
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly unit: string;
  readonly slip: Slip | null;
}

/** Usual value of a test on a 12 V system: decides between several guesses at a slip. */
const USUAL: Readonly<Partial<Record<TestName, number>>> = {
  'cranking-voltage': 10.5,
  'ripple-ac': 0.05,
  'specific-gravity': 1.26,
  'parasitic-draw': 0.03,
};

/** @returns the first value of the reading outside its physical domain, or null. */
export function outsidePhysics(
  reading: Pick<Reading, 'test' | 'value'>,
  nominalVolts: NominalVolts,
): Impossible | null {
  const row = TESTS[reading.test];
  const factor = row.scales ? nominalVolts / 12 : 1;
  const min = row.min * factor;
  const max = row.max * factor;
  const values =
    typeof reading.value === 'number' ? [reading.value] : Array.isArray(reading.value) ? reading.value : [];
  const value = values.find((entry: number) => entry < min || entry > max);
  if (value === undefined) return null;
  const usual = USUAL[reading.test] ?? (reading.test.startsWith('drop-') ? 0.1 : 12.5);
  return { value, min, max, unit: row.unit, slip: likelySlip(value, min, max, usual * factor) };
}
