import type { GradedCase } from '../../evidence/case-context';
import type { ObservationName } from '../../format/names';
import { SYMPTOMS } from '../../trade/symptoms';
import type { SymptomRow } from '../../trade/symptoms';

/** What the complaint asks to be looked at before anything is touched, and nobody has yet; null where there is nothing. */
export function lookFirst({ pass, observed, case: { complaint } }: GradedCase): ObservationName | null {
  if (pass === 'after') return null;
  for (const symptom of complaint?.symptoms ?? []) {
    const { looksFirst }: SymptomRow = SYMPTOMS[symptom];
    if (looksFirst && !observed.has(looksFirst)) return looksFirst;
  }
  return null;
}
