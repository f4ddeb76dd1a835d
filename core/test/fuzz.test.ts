import {
  CONDITIONS,
  FAULT_NAMES,
  OBSERVATIONS,
  OBSERVATION_NAMES,
  SCHOOLS,
  SYMPTOM_NAMES,
  TESTS,
  TEST_NAMES,
  checkCase,
  checkShape,
  judge,
  judgementShape,
  simulateCase,
} from '@tetrad/core';
import type { Case, ConditionName, Judgement, Reading, TestName } from '@tetrad/core';
import fc from 'fast-check';

const figure = fc.oneof(
  fc.double({ min: -2000, max: 20_000, noNaN: true }),
  fc.double({ min: 0, max: 16, noNaN: true }),
  fc.constant(0),
);
const makersFigure = fc.double({ min: 0, max: 100, noNaN: true });
const conditionValue = (name: ConditionName): fc.Arbitrary<unknown> => {
  const row = CONDITIONS[name];
  switch (row.type) {
    case 'flag':
      return fc.boolean();
    case 'word':
      return fc.constantFrom(...row.words);
    case 'text':
      return fc.string({ minLength: 1, maxLength: row.longest });
    default:
      return fc.double({ min: row.min, max: row.max, noNaN: true });
  }
};
const valueOf = (test: TestName): fc.Arbitrary<unknown> => {
  switch (TESTS[test].kind) {
    case 'list':
      return fc.array(figure, { minLength: 1, maxLength: 12 });
    case 'number-or-OL':
      return fc.oneof(figure, fc.constant('OL'));
    default:
      return figure;
  }
};
const anyReading = fc.constantFrom(...TEST_NAMES).chain((test) =>
  fc.record({
    test: fc.constant(test),
    value: fc.oneof({ weight: 9, arbitrary: valueOf(test) }, { weight: 1, arbitrary: fc.constant(null) }),
    notPossible: fc.constantFrom('did-not-crank', 'did-not-start', 'no-access'),
    conditions: fc.record(Object.fromEntries(TESTS[test].conditions.map((name) => [name, conditionValue(name)])), {
      requiredKeys: [],
    }),
    uncertainty: fc.option(fc.double({ min: 0, max: 5, noNaN: true }), { nil: undefined }),
    battery: fc.option(fc.constantFrom(1, 2, 3), { nil: undefined }),
    pass: fc.option(fc.constantFrom('before', 'after'), { nil: undefined }),
  }),
);
const anySystem = fc.record(
  {
    nominalVolts: fc.constantFrom(6, 12, 24),
    battery: fc.record(
      {
        chemistry: fc.constantFrom('flooded', 'efb', 'agm', 'gel', 'tppl'),
        rating: fc.record({
          value: fc.double({ min: 1, max: 5000, noNaN: true }),
          standard: fc.constantFrom('SAE', 'EN', 'DIN', 'IEC', 'CA', 'JIS'),
        }),
        capacityAh: fc.double({ min: 1, max: 1000, noNaN: true }),
        count: fc.integer({ min: 1, max: 3 }),
        arrangement: fc.constantFrom('single', 'parallel', 'series'),
        installed: fc.constantFrom('2019-05-01', '2090-01-01'),
      },
      { requiredKeys: ['chemistry'] },
    ),
    engine: fc.record(
      { cylinders: fc.integer({ min: 1, max: 16 }), fuel: fc.constantFrom('petrol', 'diesel') },
      { requiredKeys: [] },
    ),
    alternator: fc.record(
      { ratedAmps: fc.double({ min: 0.1, max: 1000, noNaN: true }), regulation: fc.constantFrom('fixed', 'commanded') },
      { requiredKeys: [] },
    ),
    specified: fc.record(
      {
        starterDrawAmps: fc.record({ min: makersFigure, max: makersFigure }, { requiredKeys: [] }),
        chargingVolts: fc.record({ min: makersFigure, max: makersFigure }, { requiredKeys: [] }),
        crankingVolts: fc.record({ min: makersFigure, max: makersFigure }, { requiredKeys: [] }),
      },
      { requiredKeys: [] },
    ),
  },
  { requiredKeys: ['nominalVolts', 'battery'] },
);
const anyObservation = fc
  .constantFrom(...OBSERVATION_NAMES)
  .chain((about) =>
    fc.record({ about: fc.constant(about), finding: fc.constantFrom(...OBSERVATIONS[about].findings) }),
  );
const anyCase = (most: number) =>
  fc
    .record({
      system: anySystem,
      symptoms: fc.array(fc.constantFrom(...SYMPTOM_NAMES), { maxLength: 6 }),
      observations: fc.array(anyObservation, { maxLength: 12 }),
      readings: fc.array(anyReading, { maxLength: most, size: most > 100 ? 'max' : 'medium' }),
      celsius: fc.option(fc.integer({ min: -60, max: 60 }), { nil: undefined }),
    })
    .map(({ system, symptoms, observations, readings, celsius }) => ({
      format: 'tetrad-case/1',
      system,
      complaint: { symptoms },
      conditions: { batteryCelsius: celsius },
      observations,
      readings: readings.map(({ notPossible, ...reading }, i) => ({
        id: `f${i}`,
        ...reading,
        ...(reading.value === null && { notPossible }),
      })),
    }));

/** A simulated visit, altered as hurried hands alter it. */
const visited = fc
  .record({
    fault: fc.constantFrom(...FAULT_NAMES),
    seed: fc.integer({ min: 0, max: 1_000_000 }),
    mistakes: fc.constantFrom(0, 0.3),
    fates: fc.array(
      fc.constantFrom('as read', 'as read', 'as read', 'left out', 'not possible', 'ten times', 'nothing', 'after'),
      { minLength: 40, maxLength: 40 },
    ),
    why: fc.constantFrom('did-not-crank', 'did-not-start', 'no-access', 'no-equipment'),
  })
  .map(({ fault, seed, mistakes, fates, why }): Case => {
    const subject = simulateCase({ faults: [fault], seed, mistakes });
    const alter = (reading: Reading, fate: string | undefined): readonly Reading[] => {
      if (fate === 'left out') return [];
      if (fate === 'not possible') return [{ ...reading, value: null, notPossible: why as 'no-access' }];
      if (fate === 'after') return [{ ...reading, pass: 'after' }];
      if (typeof reading.value !== 'number') return [reading];
      if (fate === 'ten times') return [{ ...reading, value: reading.value * 10 }];
      return [fate === 'nothing' ? { ...reading, value: 0 } : reading];
    };
    return { ...subject, readings: subject.readings.flatMap((reading, i) => alter(reading, fates[i])) };
  });

/** Figures that are no figures, and words made of them, wherever they stand: JSON would hide the first as null. */
function notFigures(value: unknown, path = '$'): readonly string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path}: ${value}`];
  if (typeof value === 'string')
    return /\b(NaN|Infinity|undefined)\b|\[object/.test(value) ? [`${path}: ${value}`] : [];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([name, entry]) => notFigures(entry, `${path}.${name}`));
}

function isWhole(said: Judgement): void {
  expect(notFigures(said)).toEqual([]);
  expect(checkShape(judgementShape, JSON.parse(JSON.stringify(said))).misfits).toEqual([]);
}

describe('any case that fits the format', () => {
  it('gets a judgement that fits its own format: no exception, no NaN, a reason everywhere', () => {
    fc.assert(
      fc.property(anyCase(40), fc.constantFrom(...SCHOOLS), (document, school) => {
        const checked = checkCase(JSON.parse(JSON.stringify(document)));
        expect(checked.ok ? [] : checked.misfits).toEqual([]);
        if (checked.ok) isWhole(judge(checked.value, school));
      }),
      { numRuns: 600 },
    );
  });

  it('also from a visit as it goes: parts of it missing, not possible, mistyped, or of the time after a repair', () => {
    fc.assert(
      fc.property(visited, fc.constantFrom(...SCHOOLS), (subject, school) => {
        const said = judge(subject, school);
        isWhole(said);
        const steps = said.next.map(({ test, battery, conditions }) => [test, battery, conditions?.['loads']].join());
        expect(new Set(steps).size).toBe(steps.length);
        const pass = subject.readings.some((reading) => reading.pass === 'after') ? 'after' : 'before';
        const impossible = subject.readings.filter(
          (reading) => reading.value === null && (reading.pass ?? 'before') === pass,
        );
        for (const { test } of impossible) expect(said.next.map((step) => step.test)).not.toContain(test);
        if (impossible.some(({ notPossible }) => notPossible === 'did-not-crank'))
          expect(said.decision.action).not.toBe('none-found');
      }),
      { numRuns: 1500 },
    );
  });

  it('an open whole beside its open part is told as open, in figures', () => {
    const open = (id: string, test: TestName, value: number) => ({ id, test, value, conditions: { amps: 0 } });
    const said = judge({
      format: 'tetrad-case/1',
      system: { nominalVolts: 12, battery: { chemistry: 'flooded' } },
      readings: [
        { id: 'a', test: 'resting-voltage', value: 12.7, conditions: { surfaceChargeRemoved: true } },
        open('b', 'drop-starter-ground', 12.6),
        open('c', 'drop-engine-ground', 11.6),
      ],
    });
    isWhole(said);
    const ground = said.faults.find(({ fault }) => fault === 'cable-starter-ground')!;
    expect(ground.evidence.map(({ code }) => code)).toContain('path-open');
    expect(said.parts.connections).toMatchObject({ verdict: 'not-proven', where: ['drop-starter-ground'] });
  });

  it('also with hundreds of readings', () => {
    fc.assert(
      fc.property(anyCase(600), (document) => {
        isWhole(judge(document as unknown as Case));
      }),
      { numRuns: 15 },
    );
  });

  it('a drop of next to nothing gives a budget in figures (found by seed 55512)', () => {
    const said = judge({
      format: 'tetrad-case/1',
      system: { nominalVolts: 12, battery: { chemistry: 'flooded' } },
      readings: [
        { id: 'a', test: 'drop-charge-positive', value: 1e-310, conditions: { amps: 60 } },
        { id: 'b', test: 'charging-voltage', value: 14.2 },
      ],
    });
    expect(said.budget.charging.map(({ ohms }) => ohms)).toEqual([0, undefined]);
    isWhole(said);
  });

  it('condemns nothing on a complaint alone, and is sure of nothing', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...SYMPTOM_NAMES), { maxLength: 8 }), (symptoms) => {
        const said = judge({
          format: 'tetrad-case/1',
          system: { nominalVolts: 12, battery: { chemistry: 'agm' } },
          complaint: { symptoms },
          readings: [],
        });
        expect(said.decision.action).toBe('test-next');
        expect(said.faults.find(({ fault }) => fault !== 'none')!.probability).toBeLessThan(0.9);
      }),
    );
  });
});
