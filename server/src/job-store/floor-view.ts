import type { FloorRow } from '@tetrad/contracts';
import { SYMPTOMS, headline, stepName } from '@tetrad/core';
import type { SymptomName } from '@tetrad/core';
import type { FloorRecord } from './floor.sql';

/** A row of the floor as a page is told of it, with the words that the first screen shows. */
export const floorRow = ({ cursor: _cursor, signOff, ...row }: FloorRecord): FloorRow => ({
  ...row,
  words: wordsOf({ ...row, signOff }),
  openedAt: row.openedAt.toISOString(),
  changedAt: row.changedAt.toISOString(),
  readings: Number(row.readings),
});

function wordsOf({
  symptoms,
  decision,
  signOff,
  waitsFor,
}: Pick<FloorRecord, 'symptoms' | 'decision' | 'signOff' | 'waitsFor'>): FloorRow['words'] {
  const { words: verdict, tone } = decision ? headline(decision, signOff) : { words: '', tone: 'open' as const };
  return {
    complaint: symptoms.map((symptom) => SYMPTOMS[symptom as SymptomName]?.name ?? symptom).join(', '),
    waitsFor: decision && waitsFor ? stepName(waitsFor) : '',
    verdict,
    tone,
  };
}
