/** Fields that the format does not know: kept up to a limit, refused clearly above it, and never lost on the way. */
import fc from 'fast-check';
import { checkCase, describeMisfits, readCase, writeCase } from '@tetrad/core';
import { caseOf, rest } from './cases';

const plain = caseOf([rest(12.61)]);
const withNotes = (size: number) => ({ ...plain, workshopNotes: 'x'.repeat(size) });

it('are kept and written back, wherever they stand', () => {
  const word = fc.stringMatching(/^own[A-Z][a-z]{2,8}$/);
  const value = fc.oneof(fc.integer(), fc.boolean(), fc.string({ maxLength: 30 }), fc.constant(null));
  fc.assert(
    fc.property(fc.dictionary(word, value, { maxKeys: 6 }), (own) => {
      const document = {
        ...plain,
        ...own,
        system: { ...plain.system, ...own, battery: { ...plain.system.battery, ...own } },
        readings: plain.readings.map((reading) => ({ ...reading, ...own })),
      };
      const first = checkCase(document);
      if (!first.ok) throw new Error(describeMisfits(first.misfits));
      const again = readCase(writeCase(first.value));
      expect(again).toEqual({ ok: true, value: JSON.parse(JSON.stringify(document)) });
    }),
    { numRuns: 200 },
  );
});

it('of 60 000 characters are kept', () => {
  expect(checkCase(withNotes(60_000)).ok).toBe(true);
});

it('of more than 64 000 characters are refused, with what is allowed', () => {
  const result = checkCase(withNotes(70_000));
  if (result.ok) throw new Error('it was taken');
  expect(describeMisfits(result.misfits)).toMatch(/at most 64000 characters of fields that the format does not know/);
});

it('count together: many small ones are as much as a large one', () => {
  const readings = Array.from({ length: 700 }, (_, i) => ({ ...rest(12.6), id: `r${i}`, own: 'y'.repeat(100) }));
  const result = checkCase({ ...plain, readings });
  expect(result.ok).toBe(false);
  expect(checkCase({ ...plain, readings: readings.map(({ own: _own, ...reading }) => reading) }).ok).toBe(true);
});

it('do not hide what does not fit: every misfit is named beside them', () => {
  const result = checkCase({ ...plain, own: 1, system: { nominalVolts: 13, battery: { chemistry: 'tea', own: 2 } } });
  if (result.ok) throw new Error('it was taken');
  expect(result.misfits.map(({ path }) => path)).toEqual(['$.system.nominalVolts', '$.system.battery.chemistry']);
});

it('a case of the first days of the format, with none of what came later, is still read and judged alike', () => {
  const old = {
    format: 'tetrad-case/1',
    system: { nominalVolts: 12, battery: { chemistry: 'flooded' } },
    readings: [{ id: 'a', test: 'resting-voltage', value: 12.6 }],
  };
  expect(checkCase(old)).toEqual({ ok: true, value: old });
});
