import { ENGLISH, outsidePhysics } from '@tetrad/core';
import type { NominalVolts, Reading } from '@tetrad/core';
import { misfit } from '../platform/http/problem';

/** @throws Refusal where a value is none that such a system can have. @param field Where it stands in the body. */
export function refuseImpossible(reading: Reading, nominalVolts: NominalVolts, field: string): void {
  const wrong = outsidePhysics(reading, nominalVolts);
  if (!wrong) return;
  const meant = wrong.slip ? `; was ${ENGLISH.quantity(wrong.slip.value, wrong.unit)} meant?` : '';
  throw misfit([
    {
      field,
      found: String(wrong.value),
      allowed: `${wrong.min} to ${wrong.max} ${wrong.unit} on a ${nominalVolts} V system${meant}`,
    },
  ]);
}
