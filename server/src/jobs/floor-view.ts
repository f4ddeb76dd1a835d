import type { FloorRow } from '@tetrad/contracts';
import { SYMPTOMS, decisionTone, decisionWords, stepName } from '@tetrad/core';
import type { SymptomName } from '@tetrad/core';
import type { FloorRecord } from './floor.sql';

/** A row of the floor as a page is told of it, with the words that the first screen shows. */
export const floorRow = ({ cursor: _cursor, ...row }: FloorRecord): FloorRow => ({
  ...row,
  words: wordsOf(row),
  openedAt: row.openedAt.toISOString(),
  changedAt: row.changedAt.toISOString(),
  readings: Number(row.readings),
});

const wordsOf = ({
  symptoms,
  decision,
  waitsFor,
}: Pick<FloorRecord, 'symptoms' | 'decision' | 'waitsFor'>): FloorRow['words'] => ({
  complaint: symptoms.map((symptom) => SYMPTOMS[symptom as SymptomName]?.name ?? symptom).join(', '),
  waitsFor: decision && waitsFor ? stepName(waitsFor) : '',
  verdict: decision ? decisionWords(decision) : '',
  tone: decision ? decisionTone(decision) : 'open',
});
