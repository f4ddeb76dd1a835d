/**
 * The shape of one reading. What a test's value and conditions may be is known to the trade, which hands it in as the
 * rows of its tests.
 */
import { CONDITIONS } from './conditions';
import type { ConditionName, ConditionRow, NumberCondition, ReadingConditions } from './conditions';
import type { TestName } from './names';
import { anything, either, flag, integer, list, number, object, show, text, time, word } from './shape';
import type { Infer, JsonSchema, Shape } from './shape';
import { TEST_WORDS } from './trade-words';
import { NOT_POSSIBLE, PASSES } from './words';

/** What a test's value is made of. */
export type ValueKind = 'number' | 'list' | 'number-or-OL';

/** What a reading of a test may hold. */
export interface ReadingVocabulary {
  readonly kind: ValueKind;
  readonly unit: string;
  readonly conditions: readonly ConditionName[];
}

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
    case 'text':
      return text(1, row.longest);
    default:
      throw new Error(`unknown condition row ${show(row satisfies never)}`);
  }
};

const conditionsOf = (row: ReadingVocabulary): Shape<unknown> =>
  object({}, Object.fromEntries(row.conditions.map((name) => [name, conditionShape(CONDITIONS[name])])));

const valueOf = (row: ReadingVocabulary): Shape<unknown> => {
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

// `value`, `conditions`, `note` and `finding` are known too: they are checked by the row of their test below
const known = anything<unknown>({});
const readingFields = object(
  { id: text(1, 200), test: word(TEST_WORDS) },
  {
    value: known,
    conditions: known,
    at: time(),
    notPossible: word(NOT_POSSIBLE),
    uncertainty: number({ min: 0 }),
    /** The step of the last digit that the instrument showed, in the test's unit. */
    resolution: number({ min: 1e-9, max: 1000 }),
    /** Beside a sustained figure: the extremes of the window it is the mean of, in the test's unit. */
    lowest: number(),
    highest: number(),
    instrument: text(0, 400),
    /** Read from the instrument itself, not from its display. */
    live: flag(),
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

type PerTest = ReadonlyMap<unknown, { readonly value: Shape<unknown>; readonly conditions: Shape<unknown> }>;

const readingSchema = (perTest: PerTest): JsonSchema => ({
  ...readingFields.schema,
  required: ['id', 'test', 'value'],
  allOf: [
    ...[...perTest].map(([test, { value, conditions: carried }]) => ({
      if: { properties: { test: { const: test } } },
      then: {
        properties: { value: { anyOf: [value.schema, { type: 'null' }] }, conditions: carried.schema },
      },
    })),
    {
      if: { properties: { value: { type: 'null' } } },
      then: { properties: { notPossible: {} }, required: ['notPossible'] },
    },
  ],
});

/** A reading: its value and conditions are checked by the row of its test. */
export function readingShape(tests: Readonly<Record<TestName, ReadingVocabulary>>): Shape<Reading> {
  const perTest: PerTest = new Map(
    TEST_WORDS.map((test) => [test, { value: valueOf(tests[test]), conditions: conditionsOf(tests[test]) }]),
  );
  return {
    schema: readingSchema(perTest),
    wanted: readingFields.wanted,
    check(value, path, report) {
      const { misfits } = report;
      const before = misfits.length;
      readingFields.check(value, path, report);
      if (misfits.length > before && (typeof value !== 'object' || value === null || Array.isArray(value))) return;
      const fields = value as Record<string, unknown>;
      const rules = perTest.get(fields['test']);
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
      if (fields['conditions'] !== undefined)
        rules.conditions.check(fields['conditions'], `${path}.conditions`, report);
    },
  };
}
