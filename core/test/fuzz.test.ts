import {
  CONDITIONS,
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
} from '@tetrad/core';
import type { Case, ConditionName, Judgement, TestName } from '@tetrad/core';
import fc from 'fast-check';

/** Fixed, so that a run can be repeated; vary it by hand to look further. */
const SEED = 20261123;

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

function isWhole(said: Judgement): void {
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
      { numRuns: 600, seed: SEED },
    );
  });

  it('also with hundreds of readings', () => {
    fc.assert(
      fc.property(anyCase(600), (document) => {
        isWhole(judge(document as unknown as Case));
      }),
      { numRuns: 15, seed: SEED },
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
