/** The shape of `tetrad-case/1`, from the vocabulary's tables. */
import { anything, either, flag, integer, list, number, object, show, text, time, word } from './shape';
import type { CheckReport } from './misfit';
import type { Infer, JsonSchema, Shape } from './shape';
import { CONDITIONS } from '../trade/conditions';
import type { ConditionRow, NumberCondition, ReadingConditions } from '../trade/conditions';
import { TESTS, TEST_NAMES, isTestName } from '../trade/tables';
import { SYMPTOM_NAMES } from '../trade/symptoms';
import type { Test } from '../trade/test';
import { CASE_FORMAT } from './case-format';
import { LABEL_FIGURES } from './label-figures';
import type { TestName } from './names';
import { observationShape } from './observation-shape';
import { system } from './system-shape';
import { NOT_POSSIBLE, PASSES } from './words';

export { CASE_FORMAT } from './case-format';

const complaint = object(
  {},
  { symptoms: list(word(SYMPTOM_NAMES), 0, 50), partsAlreadyReplaced: list(text(1, 80), 0, 50), note: text() },
);

const conditions = object(
  {},
  {
    batteryCelsius: LABEL_FIGURES.celsius,
    ambientCelsius: number({ min: -60, max: 60, unit: '°C' }),
  },
);

/** What a condition that is a figure may be. */
export const conditionFigure = ({ min, max, unit }: NumberCondition): Shape<number> => number({ min, max, unit });

const conditionShape = (row: ConditionRow): Shape<unknown> => {
  switch (row.type) {
    case 'flag':
      return flag();
    case 'number':
      return conditionFigure(row);
    case 'word':
      return word(row.words);
    default:
      throw new Error(`unknown condition row ${show(row satisfies never)}`);
  }
};

const conditionsOf = (row: Test): Shape<unknown> =>
  object({}, Object.fromEntries(row.conditions.map((name) => [name, conditionShape(CONDITIONS[name])])));

const valueOf = (row: Test): Shape<unknown> => {
  const one = number({ unit: row.unit });
  switch (row.kind) {
    case 'number':
      return one;
    case 'list':
      return list(one, 1, 24);
    case 'number-or-OL':
      return either(one, word(['OL']));
    default:
      throw new Error(`unknown value kind ${show(row.kind satisfies never)}`);
  }
};

const perTest = new Map<TestName, { value: Shape<unknown>; conditions: Shape<unknown> }>(
  TEST_NAMES.map((test) => [test, { value: valueOf(TESTS[test]), conditions: conditionsOf(TESTS[test]) }]),
);

// `value`, `conditions`, `note` and `finding` are known too: they are checked by the row of their test below
const known = anything<unknown>({});
const readingFields = object(
  { id: text(1, 200), test: word(TEST_NAMES) },
  {
    value: known,
    conditions: known,
    at: time(),
    notPossible: word(NOT_POSSIBLE),
    uncertainty: number({ min: 0 }),
    instrument: text(0, 400),
    by: text(0, 200),
    void: text(1, 1000),
    battery: integer(1, 3),
    pass: word(PASSES),
    /** The stretch of a recorded file that it was taken from. */
    capture: object({ id: text(1, 80), fromS: number({ min: 0 }), toS: number({ min: 0 }) }, {}),
  },
);

/** One measurement, or one that was asked for and could not be made. */
export type Reading = Omit<Infer<typeof readingFields>, 'value' | 'conditions'> & {
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
  wanted: readingFields.wanted,
  check(value, path, report) {
    const { misfits } = report;
    const before = misfits.length;
    readingFields.check(value, path, report);
    if (misfits.length > before && (typeof value !== 'object' || value === null || Array.isArray(value))) return;
    const fields = value as Record<string, unknown>;
    const rules = typeof fields['test'] === 'string' && isTestName(fields['test']) && perTest.get(fields['test']);
    if (!rules) return;
    if (fields['value'] === null) {
      if (fields['notPossible'] === undefined)
        misfits.push({
          path: `${path}.notPossible`,
          found: 'nothing',
          wanted: { code: 'reason-for-null', with: { words: NOT_POSSIBLE } },
        });
    } else {
      rules.value.check(fields['value'], `${path}.value`, report);
    }
    if (fields['conditions'] !== undefined) rules.conditions.check(fields['conditions'], `${path}.conditions`, report);
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

/** The whole document; reading ids must not repeat. */
export const caseShape: Shape<Case> = {
  schema: {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: CASE_FORMAT,
    title: 'Tetrad case',
    ...body.schema,
  },
  wanted: body.wanted,
  check(value, path, report: CheckReport) {
    body.check(value, path, report);
    const readings = (value as { readings?: unknown } | null)?.readings;
    if (!Array.isArray(readings)) return;
    const firstIndex = new Map<unknown, number>();
    readings.forEach((reading: unknown, index) => {
      const id = (reading as { id?: unknown } | null)?.id;
      if (typeof id !== 'string') return;
      const first = firstIndex.get(id);
      if (first === undefined) firstIndex.set(id, index);
      else
        report.misfits.push({
          path: `${path}.readings[${index}].id`,
          found: show(id),
          wanted: { code: 'own-id', with: { takenBy: `${path}.readings[${first}]` } },
        });
    });
  },
};
