import type { Reading } from '../../format/reading-shape';
import type { NominalVolts } from '../../format/words';
import { likelySlip } from '../../quantities/likely-slip';
import type { Slip } from '../../quantities/likely-slip';
import { TESTS } from '../../trade/tables';

/** A value that no vehicle can show, the range it must lie in, and what was probably meant. */
export interface Impossible {
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly unit: string;
  readonly slip: Slip | null;
}

/**
 * @param nominalVolts Of what was measured: the pack, or one battery of it.
 * @returns the first value of the reading outside its physical domain, or null.
 */
export function outsidePhysics(
  reading: Pick<Reading, 'test' | 'value'>,
  nominalVolts: NominalVolts,
): Impossible | null {
  const { domain, scales, unit, usual } = TESTS[reading.test];
  const factor = scales ? nominalVolts / 12 : 1;
  const [min, max] = [domain[0] * factor, domain[1] * factor];
  const values =
    typeof reading.value === 'number' ? [reading.value] : Array.isArray(reading.value) ? reading.value : [];
  const value = values.find((entry: number) => entry < min || entry > max);
  return value === undefined ? null : { value, min, max, unit, slip: likelySlip(value, min, max, usual * factor) };
}
