/** Facts of the order of work: waits, leads, halving, what comes first, the repair and after it. */
import * as fc from 'fast-check';
import {
  CAUTIONS,
  ENGLISH,
  OBSERVATION_NAMES,
  TESTS,
  TEST_NAMES,
  WAITS,
  WAIT_KINDS,
  blockedSteps,
  clampAmps,
  crankingRpm,
  derivedWords,
  cautionsOfStep,
  describeLeads,
  halvePath,
  solvePaths,
  isCount,
  judge,
  repeatsOf,
  survey,
  usualSeconds,
  waitAt,
  waitsEndedBy,
} from '@tetrad/core';
import type { Case, Reading } from '@tetrad/core';

const caseOf = (readings: readonly Omit<Reading, 'id'>[], more: Partial<Case> = {}): Case => ({
  format: 'tetrad-case/1',
  system: {
    nominalVolts: 12,
    engine: { cylinders: 4, fuel: 'petrol' },
    battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } },
  },
  readings: readings.map((reading, index) => ({ id: `r${index + 1}`, ...reading })) as Reading[],
  ...more,
});
const situationOf = (...given: Parameters<typeof caseOf>) => survey(caseOf(...given)).gradedCase;
const pathsOf = (readings: Parameters<typeof caseOf>[0]) => solvePaths(situationOf(readings));
const rest = (value: number, more: Partial<Reading> = {}): Omit<Reading, 'id'> => ({
  test: 'resting-voltage',
  value,
  conditions: { surfaceChargeRemoved: true },
  ...more,
});
const drop = (test: Reading['test'], value: number, amps?: number): Omit<Reading, 'id'> => ({
  test,
  value,
  ...(amps !== undefined && { conditions: { amps } }),
});

describe('waits', () => {
  test('nobody is told to crank for more than 15 s, and the meter is read after the first 3 s', () => {
    const cranking = WAITS.crank.phases.filter(({ name }) => name === 'crank' || name === 'read');
    expect(cranking.reduce((sum, { seconds }) => sum + seconds, 0)).toBeLessThanOrEqual(15);
    expect(cranking[0]!.seconds).toBeGreaterThanOrEqual(3);
    expect(usualSeconds('cool-down')).toBeGreaterThanOrEqual(60);
  });

  test('a load is held for 15 s and read at its end', () => {
    const [, load, read] = WAITS.load.phases;
    expect(load!.seconds + read!.seconds).toBe(15);
    expect(read!.read).toBe(true);
  });

  test('phases follow each other without a gap, and what is left only falls', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...WAIT_KINDS),
        fc.integer({ min: 1, max: 5000 }),
        fc.double({ min: -5, max: 6000, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (kind, seconds, elapsed, later) => {
          const total = isCount(kind) ? usualSeconds(kind) : seconds;
          const now = waitAt(kind, seconds, elapsed);
          expect(now.over).toBe(elapsed >= total);
          if (now.over) return;
          expect(now.phaseLeftS).toBeGreaterThan(0);
          expect(now.phaseLeftS).toBeLessThanOrEqual(now.phase.seconds);
          const then = waitAt(kind, seconds, elapsed + later);
          if (!then.over) expect(then.leftS).toBeLessThanOrEqual(now.leftS);
        },
      ),
    );
  });
});

describe('a reading ends what was waited for', () => {
  test.each([
    ['the charge, by the volts at rest', { test: 'resting-voltage', value: 12.7 }, ['lamps-on', 'settle', 'charge']],
    [
      'a battery of a pack leaves the others settling',
      { test: 'resting-voltage', value: 12.7, battery: 1 },
      ['charge'],
    ],
    ['modules sleep on from fuse to fuse', { test: 'parasitic-draw', value: 0.03 }, ['lamps-on', 'charge']],
    [
      'cranking ends rest, charge and sleep',
      { test: 'cranking-voltage', value: 10.4 },
      ['lamps-on', 'settle', 'charge', 'sleep', 'run'],
    ],
    ['what could not be read ends nothing', { test: 'resting-voltage', value: null }, []],
  ] as const)('%s', (_what, reading, ended) => {
    const kinds = waitsEndedBy(reading as Reading);
    expect(ended.filter((kind) => !kinds.includes(kind))).toEqual([]);
    if (reading.value === null) expect(kinds).toEqual([]);
    if ('battery' in reading) expect(kinds).not.toContain('settle');
    if (reading.test === 'parasitic-draw') expect(kinds).not.toContain('sleep');
    // the starter cools whatever is read meanwhile
    expect(kinds).not.toContain('crank');
    expect(kinds).not.toContain('cool-down');
  });
});

describe('leads', () => {
  test('every drop is read across its piece: two different points, one of them the far end', () => {
    // both sides together are the difference of two readings, and lie between no two points
    const across = TEST_NAMES.filter((name) => name.startsWith('drop-') && name !== 'drop-charge-total');
    for (const test of across) {
      const { red, black, flow } = TESTS[test].leads!;
      expect(red).toBeDefined();
      expect(black).not.toBe(red);
      expect(flow).not.toBe('none');
    }
  });

  test('the battery’s own voltages are read on the posts, never on the clamps', () => {
    for (const test of ['resting-voltage', 'load-test', 'cranking-voltage', 'charging-voltage', 'ripple-ac'] as const)
      expect(TESTS[test].leads).toMatchObject({ red: 'positive-post', black: 'negative-post' });
  });

  test('a current is read by a clamp', () => {
    for (const test of ['starter-draw', 'parasitic-draw', 'battery-current', 'alternator-current'] as const)
      expect(describeLeads(test)).toContain('clamp around');
  });

  test('whoever cannot see the drawing is told the same', () => {
    expect(describeLeads('drop-starter-ground')).toBe('red on the starter case, black on the battery − post');
    expect(describeLeads('specific-gravity')).toContain('No leads');
  });
});

describe('halving a failing path', () => {
  test('what no piece explains is the cable; pieces read at another current are brought to the same', () => {
    const path = halvePath(
      pathsOf([
        drop('drop-starter-positive', 1.9, 160),
        drop('drop-solenoid', 0.1, 80),
        drop('drop-positive-post', 0.02, 160),
      ]),
      'drop-starter-positive',
    )!;
    expect(path.parts.map(({ volts }) => volts)).toEqual([0.02, 0.2]);
    expect(path.rest.volts).toBeCloseTo(1.68, 6);
    expect(path.rest.ohms).toBeCloseTo(0.0105, 6);
    expect(path.next).toBeNull();
  });

  test('the engine’s ground contains the post: what both lost is counted once', () => {
    const path = halvePath(
      pathsOf([
        drop('drop-starter-ground', 2, 100),
        drop('drop-engine-ground', 1.8, 100),
        drop('drop-negative-post', 1.7, 100),
      ]),
      'drop-starter-ground',
    )!;
    expect(path.parts[0]!.volts).toBeCloseTo(0.1, 6);
    expect(path.rest.volts).toBeCloseTo(0.2, 6);
  });

  test('the half that is not measured yet is measured next; a voided reading is none', () => {
    const whole = drop('drop-starter-positive', 1.9, 160);
    expect(halvePath(pathsOf([whole]), 'drop-starter-positive')).toMatchObject({ next: 'drop-positive-post' });
    expect(halvePath(pathsOf([{ ...whole, void: 'slipped' }]), 'drop-starter-positive')).toBeNull();
    expect(halvePath(pathsOf([rest(12.6)]), 'resting-voltage')).toBeNull();
  });

  test('what is left is never less than nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (all, part) => {
          const path = halvePath(
            pathsOf([drop('drop-starter-positive', all, 100), drop('drop-solenoid', part, 100)]),
            'drop-starter-positive',
          );
          // a part that lost much more than the whole contradicts it: both are void, and there is no path to halve
          if (path) expect(path.rest.volts).toBeCloseTo(Math.max(0, all - part), 9);
          else expect(part).toBeGreaterThan(all);
        },
      ),
    );
  });
});

describe('what must come first', () => {
  const all = [...TEST_NAMES, ...OBSERVATION_NAMES];

  test('before anything is read: the resting voltage, and looking is free', () => {
    const blocked = blockedSteps(situationOf([]), all);
    expect(blocked.get('cranking-voltage')).toMatchObject({ first: 'resting-voltage' });
    for (const free of ['resting-voltage', 'conductance', ...OBSERVATION_NAMES.slice(0, 4)] as const)
      expect(blocked.has(free)).toBe(false);
  });

  test('a flat battery: the charge, with what it costs not to', () => {
    const found = blockedSteps(situationOf([rest(12.0)]), all).get('load-test')!;
    expect(found.first).toBe('charge');
    expect(ENGLISH.say(found.cost)).toContain('again after charging');
    expect(blockedSteps(situationOf([rest(12.64)]), all).size).toBe(0);
  });

  test('a swollen battery: nothing but looking', () => {
    const swollen = situationOf([rest(12.6)], { observations: [{ about: 'battery-case', finding: 'swollen' }] });
    const blocked = blockedSteps(swollen, all);
    expect(blocked.get('load-test')).toMatchObject({ first: null });
    expect(TEST_NAMES.every((test) => blocked.has(test))).toBe(true);
    expect(blocked.has('terminals')).toBe(false);
  });

  test('what does not crank gives no current to read a drop by', () => {
    const silent = situationOf([rest(12.6), { test: 'cranking-voltage', value: null, notPossible: 'did-not-crank' }]);
    expect(blockedSteps(silent, all).get('drop-starter-ground')).toMatchObject({ first: 'starter-control-voltage' });
    expect(blockedSteps(silent, all).get('charging-voltage')).toMatchObject({ first: 'cranking-voltage' });
  });
});

describe('cautions', () => {
  test('every test under cranking says to stop the fuel; the stud is live', () => {
    for (const test of TEST_NAMES.filter((name) => TESTS[name].leads?.flow === 'cranking'))
      expect(cautionsOfStep(test)).toContain('cranking');
    expect(CAUTIONS.cranking).toContain('Stop the fuel');
    expect(cautionsOfStep('alternator-stud-voltage')).toContain('stud');
  });
});

describe('after the repair', () => {
  const before = [
    rest(12.6),
    { test: 'cranking-voltage', value: 8.4, conditions: { method: 'min-max' } },
    { test: 'charging-voltage', value: 14.2, conditions: { loads: 'off' } },
    { test: 'charging-voltage', value: 13.8, conditions: { loads: 'on' } },
  ] as const satisfies readonly Omit<Reading, 'id'>[];

  test('the same tests are repeated in working order, loads off and on apart, each with what was read', () => {
    const repeated = repeatsOf(survey(caseOf([...before, rest(12.7, { pass: 'after' })])));
    expect(repeated.map(({ test, loads, after }) => [test, loads, after?.value ?? null])).toEqual([
      ['resting-voltage', undefined, 12.7],
      ['cranking-voltage', undefined, null],
      ['charging-voltage', 'off', null],
      ['charging-voltage', 'on', null],
    ]);
  });

  test('the judge asks for them before anything else, loads told', () => {
    const { next } = judge(caseOf([...before, rest(12.7, { pass: 'after' })]));
    expect(next.slice(0, 3).map(({ test, conditions }) => [test, conditions['loads']])).toEqual([
      ['cranking-voltage', undefined],
      ['charging-voltage', 'off'],
      ['charging-voltage', 'on'],
    ]);
  });
});

test('of a pack in parallel the weak battery is named, and both are replaced together', () => {
  const pack = caseOf(
    [
      rest(12.66, { battery: 1 }),
      rest(12.64, { battery: 2 }),
      { test: 'conductance', value: 870, battery: 1 },
      { test: 'conductance', value: 330, battery: 2 },
      { test: 'internal-resistance', value: 0.0031, battery: 1 },
      { test: 'internal-resistance', value: 0.0094, battery: 2 },
    ],
    {
      system: {
        nominalVolts: 12,
        battery: { chemistry: 'flooded', rating: { value: 900, standard: 'SAE' }, count: 2, arrangement: 'parallel' },
      },
    },
  );
  const { decision } = judge(pack);
  expect(decision).toMatchObject({ action: 'replace', part: 'battery' });
  expect(decision.because).toContain('It is battery 2. Batteries in parallel are replaced together: all 2.');
});

describe('what is worked out', () => {
  test('a four-cylinder engine with seven peaks a second turns at 210 rpm', () => {
    expect(crankingRpm(7, 4)).toBe(210);
    expect(() => crankingRpm(0, 4)).toThrow('peaks per second must be above 0, not 0');
    expect(() => crankingRpm(7, 2.5)).toThrow('whole number from 1 to 16, not 2.5');
  });

  test('a clamp on the wrong scale is a factor of ten; its minus sign is only the arrow', () => {
    expect(clampAmps(0.168, 1)).toBeCloseTo(168, 9);
    expect(clampAmps(-0.168, 10)).toBeCloseTo(16.8, 9);
    expect(() => clampAmps(1, 0)).toThrow('above 0 mV per A, not 0');
  });

  const words = (test: Reading['test'], subject: Case) =>
    derivedWords(test, judge(subject).derived, survey(subject).gradedCase, ENGLISH).join(' ');

  test('cranking volts and amps give the load test without a load tester, and split the sag', () => {
    const said = words(
      'cranking-voltage',
      caseOf([rest(12.64), { test: 'cranking-voltage', value: 9.7 }, { test: 'starter-draw', value: 330 }]),
    );
    expect(said).toContain('The battery resisted with 8.9 mΩ.');
    expect(said).toContain('A load test with 280 A would read about 10.11 V, floor 9.60 V.');
    expect(said).toMatch(/Of the sag \d\.\d\d V is the battery’s, \d\.\d\d V the draw’s above the usual\./);
  });

  test('how full is never how good', () => {
    expect(words('resting-voltage', caseOf([rest(12.65)]))).toBe('State of charge 100 %: how full, not how good.');
  });

  test('a drain is told in days', () => {
    const said = words('parasitic-draw', caseOf([rest(12.65), { test: 'parasitic-draw', value: 0.35 }]));
    expect(said).toMatch(/no longer starts after about \d+ days/);
  });

  test('six cells are added up to the volts they should show, warmed or cooled to 27 °C', () => {
    const cells = [1.265, 1.26, 1.265, 1.27, 1.265, 1.265];
    const said = words(
      'specific-gravity',
      caseOf([{ test: 'specific-gravity', value: cells, conditions: { electrolyteCelsius: 38 } }]),
    );
    expect(said).toContain('Mean 1.273 at 27 °C, spread 0.010.');
    expect(said).toContain('The cells add up to 12.63 V');
  });

  test('without the readings they need nothing is said', () => {
    for (const test of TEST_NAMES) expect(derivedWords(test, {}, situationOf([]), ENGLISH)).toEqual([]);
  });
});

describe('what an entry begins with', () => {
  /** What the person sets up before reading; all else is seen or read, and is empty until somebody says it. */
  const SET_UP: Readonly<Record<string, readonly string[]>> = {
    'alternator-current': ['rpm', 'systemVolts'],
    'charge-acceptance': ['volts'],
    'charging-voltage': ['rpm', 'loads'],
    'field-current': ['loads'],
    'field-duty': ['loads'],
    'load-test': ['seconds'],
    'ripple-ac': ['rpm', 'loads', 'at'],
    'ripple-waveform': ['at'],
  };

  it.each(
    TEST_NAMES.flatMap((test) =>
      TESTS[test].places.flatMap(({ asks }) => Object.entries(asks).map(([name, begins]) => [test, name, begins])),
    ),
  )('%s: its %s is no claim that nobody made', (test, name, begins) => {
    const isSetUp = SET_UP[test as string]?.includes(name as string) ?? false;
    expect({ test, name, begins: isSetUp ? null : begins }).toEqual({ test, name, begins: null });
  });
});
