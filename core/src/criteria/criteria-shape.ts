/** The shape of `tetrad-criteria/1`: a criteria set as a file, and as a shop edits it. */
import { checkShape, either, integer, list, number, object, show, text, word } from '../format/shape';
import type { Shape } from '../format/shape';
import { TEST_WORDS } from '../format/trade-words';
import { PARTS, READING_METHODS } from '../format/words';
import type { CheckReport, Misfit } from '../format/misfit';
import type { CriteriaSet, Limit } from './criteria-set';
import type { LimitRule } from './limit-rule';
import { NOTE_NAMES } from './limit-notes';
import { TEMPERATURE_REASONS } from './limit-temperature';
import type { TemperatureReason } from './limit-temperature';
import { RULES } from './rules';
import type { RuleField } from './rules/rule';

export const CRITERIA_FORMAT = 'tetrad-criteria/1';
/** A criteria set as its file has it. */
export type CriteriaDocument = CriteriaSet & { readonly format: typeof CRITERIA_FORMAT };

const KINDS = Object.keys(RULES) as readonly LimitRule['kind'][];
/** The figures of a kind of limit, by name. */
export const ruleFields = (kind: LimitRule['kind']): Readonly<Record<string, RuleField>> => RULES[kind].fields;

const CELSIUS: readonly [number, number] = [-60, 90];
const MAX_POINTS = 40;
const COST = { min: 0, max: 100_000, unit: 'min' } as const;

const points = ({ min, max }: RuleField): Shape<unknown> => {
  const celsius = number({ min: CELSIUS[0], max: CELSIUS[1], unit: '°C' });
  const figure = number({ min, max });
  const pair: Shape<unknown> = {
    schema: { type: 'array', prefixItems: [celsius.schema, figure.schema], minItems: 2, maxItems: 2 },
    wanted: { code: 'list', with: { min: 2, max: 2 } },
    check(value, path, report) {
      if (!Array.isArray(value) || value.length !== 2)
        return void report.misfits.push({ path, found: show(value), wanted: this.wanted });
      celsius.check(value[0], `${path}[0]`, report);
      figure.check(value[1], `${path}[1]`, report);
    },
  };
  return list(pair, 1, MAX_POINTS);
};

const shapeOf = (name: string, field: RuleField): Shape<unknown> =>
  name === 'points' ? points(field) : number({ min: field.min, max: field.max, unit: field.unit === 'V' ? 'V' : '' });

const RULE_SHAPES = Object.fromEntries(
  KINDS.map((kind) => {
    const fields = Object.entries(ruleFields(kind));
    const own = (isOptional: boolean): Record<string, Shape<unknown>> =>
      Object.fromEntries(
        fields
          .filter(([, field]) => (field.isOptional ?? false) === isOptional)
          .map(([name, field]) => [name, shapeOf(name, field)]),
      );
    return [kind, object({ kind: word([kind]), ...own(false) }, own(true), { isClosed: true })];
  }),
) as Readonly<Record<LimitRule['kind'], Shape<unknown>>>;

const kindShape = object({ kind: word(KINDS) }, {});
/** A rule by its kind. */
const rule: Shape<LimitRule> = {
  schema: { oneOf: KINDS.map((kind) => RULE_SHAPES[kind].schema) },
  wanted: { code: 'object', with: {} },
  check(value, path, report: CheckReport) {
    if (checkShape(kindShape, value).misfits.length > 0) return kindShape.check(value, path, report);
    RULE_SHAPES[(value as LimitRule).kind].check(value, path, report);
  },
};

const ownNote = object({ text: text(1, 500) }, {}, { isClosed: true });
const knownNote = word(NOTE_NAMES);
const note: Shape<Limit['note']> = {
  schema: { anyOf: [knownNote.schema, ownNote.schema] },
  wanted: { code: 'object', with: {} },
  check: (value, path, report) => (typeof value === 'string' ? knownNote : ownNote).check(value, path, report),
};

const limit = object(
  { test: word(TEST_WORDS), rule, source: text(1, 200), note },
  {
    when: object(
      {},
      {
        loads: word(['on', 'off']),
        regulation: word(['fixed', 'commanded']),
        fuel: word(['petrol', 'diesel']),
        methods: list(word(READING_METHODS), 1, READING_METHODS.length),
      },
      { isClosed: true },
    ),
    borderline: number({ min: 0, max: 1000 }),
    temperature: either(
      object({ atMinus18: number({ min: 0.2, max: 5 }) }, {}, { isClosed: true }),
      object({ none: word(Object.keys(TEMPERATURE_REASONS) as TemperatureReason[]) }, {}, { isClosed: true }),
    ),
  },
  { isClosed: true },
);
const draw = object(
  {
    fuel: word(['petrol', 'diesel']),
    upToCylinders: integer(1, 16),
    minAmps: number({ min: 0, max: 5000, unit: 'A' }),
    maxAmps: number({ min: 0, max: 5000, unit: 'A' }),
  },
  { upToLitres: number({ min: 0.1, max: 100, unit: 'l' }) },
  { isClosed: true },
);
const cost = number(COST);
const costs = object(
  {
    wrongPart: object(Object.fromEntries(PARTS.map((part) => [part, cost])), {}, { isClosed: true }),
    wrongPiece: cost,
    comeback: cost,
    undecided: cost,
    work: number({ above: 0, max: 100, unit: 'min' }),
    wait: number({ min: 0, max: 100, unit: 'min' }),
  },
  {},
  { isClosed: true },
);

const SET_ID = /^[a-z0-9]([a-z0-9-]{0,38}[a-z0-9])?$/;
const setId: Shape<string> = {
  schema: { type: 'string', pattern: SET_ID.source },
  wanted: { code: 'text', with: { min: 1, max: 40 } },
  check(value, path, { misfits }) {
    if (typeof value !== 'string' || !SET_ID.test(value))
      misfits.push({ path, found: show(value), wanted: this.wanted });
  },
};

export const criteriaShape = object(
  {
    format: word([CRITERIA_FORMAT]),
    id: setId,
    version: integer(1, 1_000_000),
    name: text(1, 40),
    note: text(1, 300),
    limits: list(limit, 1, 300),
    expectedDraw: list(draw, 1, 40),
    minimumCharge: number({ min: 0, max: 1 }),
    surfaceChargeVolts: number({ min: 0, max: 3, unit: 'V' }),
    costs,
  },
  {},
  { isClosed: true },
) as Shape<CriteriaDocument>;

/** Every fault of a document's shape, each with its path. */
export const criteriaMisfits = (document: unknown): readonly Misfit[] => checkShape(criteriaShape, document).misfits;
