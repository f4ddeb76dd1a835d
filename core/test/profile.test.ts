/** The four-note profile: what was not read leaves a gap, and every note shows the band it will be graded by. */
import { fourNoteProfile, joinedLevels, survey } from '@tetrad/core';
import type { Reading } from '@tetrad/core';
import { SOUND_SYSTEM, caseOf, charging, crank, rest } from './cases';

const profileOf = (readings: readonly Reading[]) => {
  const { assessments, gradedCase } = survey(caseOf(readings, { system: SOUND_SYSTEM }));
  return fourNoteProfile(assessments, SOUND_SYSTEM, gradedCase);
};
const lengths = (readings: readonly Reading[]) => joinedLevels(profileOf(readings).notes).map((line) => line.length);

it('the line has a gap where a voltage was not read', () => {
  expect(lengths([rest(12.6), charging(14.2)])).toEqual([1, 1]);
  expect(lengths([rest(12.6), crank(10.6), charging(14.2)])).toEqual([3]);
  expect(lengths([crank(10.6), charging(14.2)])).toEqual([2]);
  expect(lengths([])).toEqual([]);
});

it('before anything is read the bands stand already, and a reading inside one is within', () => {
  const bands = profileOf([]).notes.map(({ band }) => band);
  expect(bands.every((band) => band !== null && band.top < band.bottom)).toBe(true);
  for (const { y, band, grade } of profileOf([rest(12.6), crank(10.6), charging(14.2)]).notes) {
    expect(grade).toBe('within');
    expect(y!).toBeGreaterThanOrEqual(band!.top);
    expect(y!).toBeLessThanOrEqual(band!.bottom);
  }
});

it('a band that depends on what is not known yet is not drawn', () => {
  const { assessments, gradedCase } = survey(caseOf([], { system: SOUND_SYSTEM }), {
    ...survey(caseOf([])).gradedCase.criteria,
    limits: [{ test: 'cranking-voltage', rule: { kind: 'sag', maxVolts: 1.5 }, source: 'x', note: 'note-sag' }],
  });
  expect(fourNoteProfile(assessments, SOUND_SYSTEM, gradedCase).notes.map(({ band }) => band)).toEqual([
    null,
    null,
    null,
  ]);
});
