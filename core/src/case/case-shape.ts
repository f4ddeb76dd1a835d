/** The shape of `tetrad-case/1`, from the vocabulary's tables. */
import { either, flag, integer, list, number, object, show, text, time, day, word } from './shape';
import type { Infer, JsonSchema, Misfit, Shape } from './shape';
import {
  ARRANGEMENTS,
  CHEMISTRIES,
  CONDITIONS,
  FUELS,
  NOMINAL_VOLTS,
  NOT_POSSIBLE,
  OBSERVATIONS,
  OBSERVATION_NAMES,
  PASSES,
  RATING_STANDARDS,
  REGULATIONS,
  SYMPTOM_NAMES,
  TESTS,
  TEST_NAMES,
  isObservationName,
  isTestName,
} from './vocabulary';
import type { ConditionName, ConditionRow, ObservationName, TestName, TestRow } from './vocabulary';

export const CASE_FORMAT = 'tetrad-case/1';

const range = object({}, { min: number(), max: number() });

const rating = object({ value: number({ above: 0, max: 5000, unit: 'A' }), standard: word(RATING_STANDARDS) }, {});

const battery = object(
  { chemistry: word(CHEMISTRIES) },
  {
    serviceable: flag(),
    count: integer(1, 3),
    arrangement: word(ARRANGEMENTS),
    rating,
    capacityAh: number({ above: 0, max: 1000, unit: 'Ah' }),
    installed: day(),
  },
);

const system = object(
  { nominalVolts: word(NOMINAL_VOLTS), battery },
  {
    engine: object(
      {},
      { cylinders: integer(1, 16), fuel: word(FUELS), displacementLitres: number({ above: 0, max: 50, unit: 'l' }) },
    ),
    alternator: object({}, { ratedAmps: number({ above: 0, max: 1000, unit: 'A' }), regulation: word(REGULATIONS) }),
    specified: object({}, { starterDrawAmps: range, chargingVolts: range, crankingVolts: range }),
  },
);

const complaint = object(
  {},
  { symptoms: list(word(SYMPTOM_NAMES), 0, 50), partsAlreadyReplaced: list(text(1, 80), 0, 50), note: text() },
);

const conditions = object(
  {},
  {
    batteryCelsius: number({ min: -60, max: 90, unit: '°C' }),
    ambientCelsius: number({ min: -60, max: 60, unit: '°C' }),
  },
);

const conditionShape = (row: ConditionRow): Shape<unknown> => {
  switch (row.type) {
    case 'flag':
      return flag();
    case 'number':
      return number({ min: row.min, max: row.max, unit: row.unit });
    case 'word':
      return word(row.words);
    default:
      throw new Error(`unknown condition row ${show(row satisfies never)}`);
  }
};

/** What a reading's conditions may hold, typed. */
export type ReadingConditions = {
  readonly [K in ConditionName]?: (typeof CONDITIONS)[K] extends { type: 'flag' }
    ? boolean
    : (typeof CONDITIONS)[K] extends { type: 'word'; words: readonly (infer W)[] }
      ? W
      : number;
};

const conditionsOf = (row: TestRow): Shape<unknown> =>
  object({}, Object.fromEntries(row.conditions.map((name) => [name, conditionShape(CONDITIONS[name])])));

const valueOf = (row: TestRow): Shape<unknown> => {
  const one = number({ unit: row.unit });
  switch (row.kind) {
    case 'number':
      return one;
    case 'list':
      return list(one, 1, 24);
    case 'number-or-OL':
      return either(one, word(['OL']), `a number (${row.unit}) or "OL"`);
    default:
      throw new Error(`unknown value kind ${show(row.kind satisfies never)}`);
  }
};

const perTest = new Map<TestName, { value: Shape<unknown>; conditions: Shape<unknown> }>(
  TEST_NAMES.map((test) => [test, { value: valueOf(TESTS[test]), conditions: conditionsOf(TESTS[test]) }]),
);

const readingFields = object(
  { id: text(1, 200), test: word(TEST_NAMES) },
  {
    at: time(),
    notPossible: word(NOT_POSSIBLE),
    uncertainty: number({ min: 0 }),
    instrument: text(0, 400),
    by: text(0, 200),
    void: text(1, 1000),
    battery: integer(1, 3),
    pass: word(PASSES),
  },
);

/** One measurement, or one that was asked for and could not be made. */
export type Reading = Infer<typeof readingFields> & {
  readonly value: number | readonly number[] | 'OL' | null;
  readonly conditions?: ReadingConditions;
};

const readingSchema: JsonSchema = {
  ...readingFields.schema,
  required: ['id', 'test', 'value'],
  allOf: [
    ...[...perTest].map(([test, { value, conditions: carried }]) => ({
      if: { properties: { test: { const: test } } },
      then: {
        properties: { value: { anyOf: [value.schema, { type: 'null' }] }, conditions: carried.schema },
      },
    })),
    { if: { properties: { value: { type: 'null' } } }, then: { required: ['notPossible'] } },
  ],
};

/** A reading: its value and conditions are checked by the row of its test. */
export const readingShape: Shape<Reading> = {
  schema: readingSchema,
  check(value, path, misfits) {
    const before = misfits.length;
    readingFields.check(value, path, misfits);
    if (misfits.length > before && (typeof value !== 'object' || value === null || Array.isArray(value))) return;
    const fields = value as Record<string, unknown>;
    const rules = typeof fields['test'] === 'string' && isTestName(fields['test']) && perTest.get(fields['test']);
    if (!rules) return;
    if (fields['value'] === null) {
      if (fields['notPossible'] === undefined)
        misfits.push({
          path: `${path}.notPossible`,
          found: 'nothing',
          allowed: `one of ${NOT_POSSIBLE.join(', ')}, since value is null`,
        });
    } else {
      rules.value.check(fields['value'], `${path}.value`, misfits);
    }
    if (fields['conditions'] !== undefined) rules.conditions.check(fields['conditions'], `${path}.conditions`, misfits);
  },
};

const observationFields = object(
  { about: word(OBSERVATION_NAMES), finding: text(1, 80) },
  { note: text(), pass: word(PASSES) },
);

export interface Observation {
  readonly about: ObservationName;
  readonly finding: string;
  readonly note?: string;
  readonly pass?: (typeof PASSES)[number];
}

const findingsOf = new Map(OBSERVATION_NAMES.map((about) => [about, word(OBSERVATIONS[about])]));

const observationShape: Shape<Observation> = {
  schema: {
    ...observationFields.schema,
    allOf: [...findingsOf].map(([about, shape]) => ({
      if: { properties: { about: { const: about } } },
      then: { properties: { finding: shape.schema } },
    })),
  },
  check(value, path, misfits) {
    const before = misfits.length;
    observationFields.check(value, path, misfits);
    if (misfits.length > before) return;
    const { about, finding } = value as { about: string; finding: string };
    if (isObservationName(about)) findingsOf.get(about)?.check(finding, `${path}.finding`, misfits);
  },
};

const body = object(
  { format: word([CASE_FORMAT]), system, readings: list(readingShape) },
  { title: text(), complaint, conditions, observations: list(observationShape, 0, 1000) },
);

/** Parts of a case that are stored and edited by themselves. */
export const caseParts = { system, complaint, conditions, observation: observationShape } as const;

/** One visit of one vehicle: all that was asked, seen and measured. */
export type Case = Infer<typeof body>;
export type System = Case['system'];
export type BatteryLabel = System['battery'];
export type Rating = NonNullable<BatteryLabel['rating']>;
export type { ConditionName, TestName };

/** The whole document; reading ids must not repeat. */
export const caseShape: Shape<Case> = {
  schema: {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: CASE_FORMAT,
    title: 'Tetrad case',
    ...body.schema,
  },
  check(value, path, misfits: Misfit[]) {
    body.check(value, path, misfits);
    const readings = (value as { readings?: unknown } | null)?.readings;
    if (!Array.isArray(readings)) return;
    const firstIndex = new Map<unknown, number>();
    readings.forEach((reading: unknown, index) => {
      const id = (reading as { id?: unknown } | null)?.id;
      if (typeof id !== 'string') return;
      const first = firstIndex.get(id);
      if (first === undefined) firstIndex.set(id, index);
      else
        misfits.push({
          path: `${path}.readings[${index}].id`,
          found: show(id),
          allowed: `an id of its own: ${path}.readings[${first}] has it already`,
        });
    });
  },
};
