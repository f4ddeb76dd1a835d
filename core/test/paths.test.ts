/** The circuit adds up: one table of paths, one solver, and no reading across a fault argued away. */
import fc from 'fast-check';
import { PATHS, PATH_TESTS, PIECES, PIECE_NAMES, judge, solvePaths, solveSymmetric, survey } from '@tetrad/core';
import type { PathTest, PieceName, Reading } from '@tetrad/core';
import { caseOf, charging, crank, drop, read, rest, ripple } from './cases';

const BASE = [
  rest(12.65),
  crank(10.9),
  read('starter-draw', 140),
  read('starter-control-voltage', 10.7),
  charging(14.2),
  ripple(0.04),
];
const situationOf = (readings: readonly Reading[]) => survey(caseOf([...BASE, ...readings])).gradedCase;
const pieceOf = (readings: readonly Reading[], piece: PieceName) =>
  solvePaths(situationOf(readings)).pieces().get(piece)!;
const faultOf = (readings: readonly Reading[], fault: string): number =>
  judge(caseOf([...BASE, ...readings], { symptoms: ['slow-crank'] })).faults.find((entry) => entry.fault === fault)!
    .probability;

describe('the table of paths', () => {
  it('every piece lies in a path that is read, and has a usual loss under the strict limit of that path', () => {
    for (const piece of PIECE_NAMES) {
      const through = PATH_TESTS.filter((test) => (PATHS[test].pieces as readonly PieceName[]).includes(piece));
      expect(through.length).toBeGreaterThan(0);
      for (const test of through) expect(PIECES[piece].soundVolts).toBeLessThan(PATHS[test].strictVolts);
    }
  });

  it('the usual losses of a path’s pieces together stay under its strict limit', () => {
    for (const test of PATH_TESTS) {
      const lost = PATHS[test].pieces.reduce((sum, piece) => sum + PIECES[piece].soundVolts, 0);
      expect(lost).toBeLessThan(PATHS[test].strictVolts);
    }
  });
});

describe('the solver', () => {
  it('a bad whole with a good half puts the loss in the other half', () => {
    const readings = [drop('drop-starter-ground', 1.2), drop('drop-engine-ground', 0.08)];
    expect(pieceOf(readings, 'starter-joint').ohms * 140).toBeCloseTo(1.12, 1);
    expect(pieceOf(readings, 'engine-strap').ohms * 140).toBeLessThan(0.1);
    expect(faultOf(readings, 'cable-starter-ground')).toBeGreaterThan(0.9);
  });

  it('finds what it was made from, each reading at its own current, as a plain sum says', () => {
    const ohms = fc.double({ min: 1e-4, max: 0.008, noNaN: true });
    const amps = fc.integer({ min: 80, max: 220 });
    fc.assert(
      fc.property(ohms, ohms, ohms, amps, amps, amps, (post, cable, solenoid, a, b, c) => {
        const readings = [
          drop('drop-positive-post', post * a, a),
          drop('drop-solenoid', solenoid * b, b),
          drop('drop-starter-positive', (post + cable + solenoid) * c, c),
        ];
        const solved = solvePaths(situationOf(readings)).pieces();
        for (const [piece, true_] of [
          ['positive-post', post],
          ['solenoid', solenoid],
          ['positive-cable', cable],
        ] as const) {
          const { ohms: found, isTold } = solved.get(piece)!;
          expect(found).toBeGreaterThanOrEqual(0);
          // each reading may be off by 4 %, and the prior leans on what is hardly measured
          expect(Math.abs(found - true_)).toBeLessThan(0.1 * (post + cable + solenoid) + 2e-4);
          if (piece !== 'positive-cable') expect(isTold).toBe(true);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('no reading allows a piece more than the least sum it lies in', () => {
    const readings = [drop('drop-starter-ground', 0.3), drop('drop-engine-ground', 0.06)];
    expect(pieceOf(readings, 'negative-post').atMostOhms * 140).toBeLessThan(0.08);
  });

  it('names a part that lost more than its whole, and takes neither for true', () => {
    const readings = [drop('drop-starter-positive', 0.2), drop('drop-solenoid', 0.9)];
    const assessed = survey(caseOf([...BASE, ...readings])).assessments.slice(-2);
    expect(assessed.map(({ grade }) => grade)).toEqual(['void', 'void']);
    const said = judge(caseOf([...BASE, ...readings], { symptoms: ['slow-crank'] }));
    expect(said.decision.action).toBe('test-next');
    expect(said.next.map(({ test }) => test)).toEqual(
      expect.arrayContaining(['drop-starter-positive', 'drop-solenoid']),
    );
  });

  it('inverts any well-conditioned symmetric set of equations', () => {
    const row = fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 4, maxLength: 4 });
    fc.assert(
      fc.property(fc.array(row, { minLength: 4, maxLength: 4 }), row, (half, right) => {
        const matrix = new Float64Array(16);
        for (let i = 0; i < 4; i++)
          for (let j = 0; j < 4; j++) {
            let sum = i === j ? 1 : 0;
            for (let k = 0; k < 4; k++) sum += half[i]![k]! * half[j]![k]!;
            matrix[i * 4 + j] = sum;
          }
        const { solution, inverse } = solveSymmetric(matrix, Float64Array.from(right), 4);
        for (let i = 0; i < 4; i++) {
          let made = 0;
          let unit = 0;
          for (let j = 0; j < 4; j++) {
            made += matrix[i * 4 + j]! * solution[j]!;
            unit += matrix[i * 4 + j]! * inverse[j * 4 + i]!;
          }
          expect(made).toBeCloseTo(right[i]!, 6);
          expect(unit).toBeCloseTo(1, 6);
        }
      }),
      { numRuns: 100 },
    );
    expect(() => solveSymmetric(Float64Array.from([1, 2, 2, 1]), new Float64Array(2), 2)).toThrow(
      /not positive definite at row 1/,
    );
  });
});

describe('a reading straight across a fault', () => {
  it.each(PATH_TESTS.filter((test) => test !== 'drop-charge-total').map((test) => [test] as const))(
    '%s far outside its limit is repaired, whatever else reads well',
    (test) => {
      const isCharging = PATHS[test].loadedBy === 'charging';
      // what contains the bad piece must read bad as well: the circuit adds up
      const bad = 1.6;
      const others = PATH_TESTS.filter((other) => other !== test).map((other) => {
        const shares = PATHS[test].pieces.every((piece) =>
          (PATHS[other].pieces as readonly PieceName[]).includes(piece),
        );
        const amps = PATHS[other].loadedBy === 'charging' ? 88 : 140;
        const own = (isCharging ? 88 : 140) === amps ? bad : (bad * amps) / (isCharging ? 88 : 140);
        return drop(other, shares ? own + 0.02 : 0.02, amps);
      });
      const said = judge(
        caseOf(
          [...BASE, charging(14, 'on'), read('conductance', 560), ...others, drop(test, bad, isCharging ? 88 : 140)],
          {
            symptoms: ['slow-crank'],
          },
        ),
      );
      expect(said.decision.action).toBe(test === 'drop-solenoid' ? 'replace' : 'repair');
      expect(PATHS[test].pieces.map((piece) => PIECES[piece].fault)).toContain(said.decision.fault);
    },
  );

  it('both sides of the charging path in one reading: good clears both, bad is halved', () => {
    const readings = [...BASE, charging(14, 'on')];
    const both = (volts: number) =>
      caseOf([...readings, drop('drop-charge-total', volts, 88)], { symptoms: ['charge-lamp'] });
    const sides: readonly string[] = ['drop-charge-positive', 'drop-charge-ground'];
    const bad = judge(both(1.6));
    expect(bad.decision.action).toBe('test-next');
    expect(sides).toContain(bad.next[0]!.test);
    expect(judge(both(0.1)).next.filter(({ test }) => sides.includes(test))).toEqual([]);
  });

  it('is never followed by “nothing found”, nor by “keep” of what it is read across', () => {
    let looked = 0;
    const test = fc.constantFrom<PathTest>(...PATH_TESTS);
    const share = fc.double({ min: 1.1, max: 12, noNaN: true });
    const more = fc.array(fc.tuple(test, fc.double({ min: 0, max: 0.6, noNaN: true })), { maxLength: 4 });
    fc.assert(
      fc.property(test, share, more, (bad, over, others) => {
        const ampsOf = (name: PathTest) => (PATHS[name].loadedBy === 'charging' ? 88 : 137.5);
        const readings = [
          ...others.filter(([name]) => name !== bad).map(([name, volts]) => drop(name, volts, ampsOf(name))),
          drop(bad, PATHS[bad].strictVolts * over, ampsOf(bad)),
        ];
        const said = judge(caseOf([...BASE, ...readings]));
        if (said.readings.at(-1)!.grade !== 'outside') return; // contradicted by another reading of the same pieces
        looked += 1;
        expect(said.decision.action).not.toBe('none-found');
        const part = bad === 'drop-solenoid' ? said.parts.starter : said.parts.connections;
        expect(part.verdict).not.toBe('keep');
      }),
      { numRuns: 400 },
    );
    expect(looked).toBeGreaterThan(300);
  });
});

describe('an open path', () => {
  const silent = [
    rest(12.65),
    read('starter-draw', 0),
    read('starter-control-voltage', 12.4),
    read('conductance', 555),
  ];
  it('shows the whole battery with no current; a part that shows nothing is not the open one', () => {
    const said = judge(
      caseOf(
        [
          ...silent,
          drop('drop-starter-positive', 12.5, 0),
          drop('drop-solenoid', 12.5, 0),
          drop('drop-positive-post', 0, 0),
        ],
        { symptoms: ['no-crank-silent'] },
      ),
    );
    expect(said.faults[0]!.fault).toBe('solenoid-contacts');
    expect(said.readings.at(-1)).toMatchObject({ grade: 'noted' });
    expect(said.readings.at(-1)!.because).toContain('not the open one');
  });
});
