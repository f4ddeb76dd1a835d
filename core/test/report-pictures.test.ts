/** What the report shows of a decision: the reading that settled it, on its ruler, and the path with the place marked. */
import {
  BALANCED,
  fourNoteProfile,
  assessCase,
  judge,
  minutesOfWork,
  reportDocument,
  rulerScale,
  voltStair,
} from '@tetrad/core';
import type { BudgetPiece, Case, Reading } from '@tetrad/core';
import fc from 'fast-check';
import { LABEL_CONFIRMED, SOUND_LOOKS, caseOf, crank, drop, fourNotes, read, rest, saw, soundReadings } from './cases';

const report = (subject: Case) =>
  reportDocument({ case: subject, criteria: BALANCED, judgement: judge(subject), signOff: null });
const badGround = caseOf(
  [
    ...fourNotes(),
    read('starter-draw', 92),
    read('cranking-speed', 105),
    drop('drop-starter-positive', 0.22, 92),
    drop('drop-starter-ground', 2.9, 92),
    drop('drop-negative-post', 0.02, 92),
    drop('drop-engine-ground', 0.04, 92),
    read('conductance', 560),
  ],
  { symptoms: ['slow-crank'], observations: [saw('ground-strap', 'damaged'), ...SOUND_LOOKS] },
);

describe('what settled it', () => {
  it('of a bad ground is the drop across it, far off its ruler’s limit, and the path names the ground as deepest', () => {
    const { settled } = report(badGround);
    expect(settled).toMatchObject({ test: 'Drop, starter case to battery −', value: '2.90 V', grade: 'outside' });
    expect(settled!.limit).toMatch(/^at most 200 mV/);
    expect(settled!.ruler!.value).toBeGreaterThan(settled!.ruler!.to);
    const [deepest] = voltStair(settled!.path).steps.filter(({ isDeepest }) => isDeepest);
    expect(deepest!.piece.pieces).toEqual(['starter-joint']);
    expect(settled!.pathFrom).toBe('at rest');
  });

  it('of a worn battery is a measure of its health, and no path is drawn', () => {
    const readings = [rest(12.62), crank(8.9), read('conductance', 230), read('internal-resistance', 0.016)];
    const worn = caseOf(readings, { system: LABEL_CONFIRMED });
    const { settled, decision } = report(worn);
    expect(decision.words).toBe('Replace the battery');
    expect(['Conductance', 'Internal resistance', 'Cranking voltage']).toContain(settled!.test);
    expect(settled!.grade).toBe('outside');
    expect(settled!.path).toEqual([]);
  });

  it('where nothing was found there is none: no reading is shown as if it had condemned something', () => {
    const sound = report(caseOf(soundReadings(), { observations: SOUND_LOOKS }));
    expect(sound.decision.words).toBe('Nothing found');
    expect(sound.settled === null || sound.settled.grade !== 'outside').toBe(true);
  });
});

describe('a ruler', () => {
  const figure = fc.integer({ min: -100_000, max: 100_000 }).map((thousandths) => thousandths / 1000);
  it('keeps every reading on it, and on the same side of its limits as it is', () => {
    fc.assert(
      fc.property(figure, figure, fc.integer({ min: 1, max: 50 }), (value, min, span) => {
        const max = min + span;
        const at = rulerScale({ value, min, max });
        for (const share of [at.value, at.from, at.to]) expect(share >= 0 && share <= 1).toBe(true);
        expect(at.value < at.from).toBe(value < min);
        expect(at.value > at.to).toBe(value > max);
        expect(at.edges).toHaveLength(2);
      }),
    );
  });
  it('has the figure of every limit in the unit of the reading, a loss from its other end', () => {
    const figures = (limit: Parameters<typeof rulerScale>[0]): readonly number[] => rulerScale(limit).figures;
    const drop = { value: 0.3, min: -Infinity, max: 0.2 };
    expect(figures({ ...drop, drawn: { min: -0.145, max: 0.145 } })).toEqual([0.145]);
    expect(figures({ value: 0.5, min: -Infinity, max: 0.4, drawn: { min: 12.2, max: Infinity } })).toEqual([12.2]);
    expect(figures({ value: 14.2, min: 13.5, max: 14.8, drawn: { min: 13.5, max: 14.8 } })).toEqual([13.5, 14.8]);
    expect(figures({ value: 0, min: 1, max: Infinity, drawn: null })).toEqual([]);
  });
  it('of an open limit ends where the ruler ends', () => {
    const at = rulerScale({ value: 12.6, min: 12.4, max: Infinity });
    expect([at.to, at.edges.length]).toEqual([1, 1]);
    expect(at.value).toBeGreaterThan(at.from);
  });
});

describe('the volts along a path', () => {
  const piece = (kind: BudgetPiece['kind'], volts: number): BudgetPiece => ({ piece: kind, kind, volts, share: 0 });
  it('go down by what each piece took, and the steps join', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.001, max: 4, noNaN: true }), { minLength: 1, maxLength: 7 }),
        (losses) => {
          const { volts, steps } = voltStair([...losses.map((loss) => piece('lost', loss)), piece('left', 8)]);
          expect(volts).toBeCloseTo(8 + losses.reduce((sum, loss) => sum + loss, 0), 9);
          steps.forEach((step, i) => {
            if (i > 0) expect(step.from).toBeCloseTo(steps[i - 1]!.to, 9);
            expect(step.to).toBeGreaterThanOrEqual(step.from - 1e-12);
            expect(step.to).toBeLessThanOrEqual(1);
          });
          expect(steps.at(-1)!.to).toBeCloseTo(steps.at(-1)!.from, 12);
          expect(steps.filter(({ isDeepest }) => isDeepest).length).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
  it('of equal small losses mark none: nothing stands out', () => {
    const { steps } = voltStair([...Array.from({ length: 6 }, () => piece('lost', 0.1)), piece('left', 11)]);
    expect(steps.some(({ isDeepest }) => isDeepest)).toBe(false);
  });
});

describe('the profile of a pack', () => {
  const system = (arrangement: 'series' | 'parallel', nominalVolts: 12 | 24): Case['system'] => ({
    nominalVolts,
    battery: { chemistry: 'flooded', count: 2, arrangement },
  });
  const each = (...volts: number[]): Reading[] => volts.map((value, i) => ({ ...rest(value), battery: i + 1 }));
  const resting = (given: Case['system'], readings: readonly Reading[]) =>
    fourNoteProfile(assessCase(caseOf(readings, { system: given })), given).notes[0]!;

  it('in series is the sum of its batteries, on the pack’s own axis', () => {
    const note = resting(system('series', 24), each(12.7, 12.5));
    expect(note.volts).toBeCloseTo(25.2, 9);
    expect(note.y! > 0 && note.y! < 1).toBe(true);
  });
  it('in parallel is the lowest, and the worst grade shows', () => {
    const note = resting(system('parallel', 12), each(11.6, 12.7));
    expect([note.volts, note.grade]).toEqual([11.6, 'outside']);
  });
});

describe('minutes of work', () => {
  const at = (minutes: number): string => new Date(Date.UTC(2026, 2, 2, 9, 0) + minutes * 60_000).toISOString();
  it('count the pauses between entries, a charge of four hours as one step, in any order', () => {
    expect(minutesOfWork([at(0), at(3), at(7)])).toBe(8);
    expect(minutesOfWork([at(0), at(240), at(243)])).toBe(14);
    expect(minutesOfWork([at(243), at(0), at(240)])).toBe(14);
  });
  it('of nothing are none, and what is no time is passed over', () => {
    expect(minutesOfWork([])).toBe(0);
    expect(minutesOfWork(['yesterday'])).toBe(0);
    expect(minutesOfWork(['yesterday', at(0)])).toBe(1);
  });
});
