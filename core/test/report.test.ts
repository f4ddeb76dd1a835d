import { BALANCED, ENGLISH, FAULT_NAMES, customerWords, judge, methodWords, reportDocument } from '@tetrad/core';
import type { Case, Reading } from '@tetrad/core';

const readings: readonly Reading[] = [
  { id: 'a', test: 'resting-voltage', value: 12.6, conditions: { surfaceChargeRemoved: true } },
  { id: 'b', test: 'cranking-voltage', value: 8.2, conditions: { method: 'min-max', seconds: 8 } },
  { id: 'x', test: 'cranking-voltage', value: 4.1, void: 'clamp slipped' },
];
const subject: Case = {
  format: 'tetrad-case/1',
  system: { nominalVolts: 12, battery: { chemistry: 'flooded' } },
  complaint: { symptoms: ['slow-crank'], partsAlreadyReplaced: ['starter'] },
  observations: [{ about: 'battery-case', finding: 'sound' }],
  readings,
};
const report = (given: Case) =>
  reportDocument({ case: given, judgement: judge(given), criteria: BALANCED, signOff: null });

test('the technician’s page holds every reading, the voided with its reason, with how it was taken', () => {
  const { readings: lines, replacedBefore, observations } = report(subject);
  expect(lines.map(({ id, grade }) => [id, grade])).toEqual([
    ['a', 'within'],
    ['b', 'outside'],
    ['x', 'void'],
  ]);
  expect(lines[2]!.limit).toBe('Voided: clamp slipped');
  expect(lines[1]!.how).toBe('method min-max, duration 8 s');
  expect(replacedBefore).toBe('starter');
  expect(observations).toEqual([{ about: 'battery case', finding: 'sound' }]);
});

test('before the repair there is one profile; after it there are two, and a comparison', () => {
  expect(report(subject)).toMatchObject({ after: null, comparison: [] });
  const repaired: Case = {
    ...subject,
    readings: [...readings, { ...readings[1]!, id: 'c', value: 10.4, pass: 'after' }],
  };
  const { before, after, comparison } = report(repaired);
  expect(before.notes[1]!.volts).toBe(8.2);
  expect(after!.notes[1]!.volts).toBe(10.4);
  expect(comparison).toEqual([
    expect.objectContaining({ test: 'Resting voltage', before: '12.60 V', after: 'not repeated', grade: null }),
    expect.objectContaining({ test: 'Cranking voltage', before: '8.20 V', after: '10.40 V', grade: 'within' }),
  ]);
});

test('for the customer every fault has a sentence of its own, without figures', () => {
  const sentences = FAULT_NAMES.map((fault) =>
    customerWords({ action: fault === 'none' ? 'none-found' : 'repair', fault, because: 'x' }),
  );
  expect(new Set(sentences).size).toBe(FAULT_NAMES.length);
  for (const sentence of sentences) expect(sentence).toMatch(/^[A-Z][^\d]+\.$/);
});

test('while the tests are open the customer is told that nothing should be replaced yet', () => {
  expect(customerWords(judge({ ...subject, readings: [] }).decision)).toContain('no part should be replaced');
});

test('a reading tells its battery, conditions, instrument and who took it', () => {
  expect(
    methodWords(
      {
        id: 'r',
        test: 'load-test',
        value: 9.9,
        battery: 2,
        instrument: 'bench meter',
        by: 'Bo',
        conditions: { amps: 280, seconds: 15, chargedBefore: false },
      },
      ENGLISH,
    ),
  ).toBe('battery 2, current 280 A, duration 15 s, not fully charged before, bench meter, by Bo');
});
