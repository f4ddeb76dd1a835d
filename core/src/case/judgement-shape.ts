/** The shape of `tetrad-judgement/1`: the answer to a case. */
import { either, flag, integer, list, number, object, text, word } from './shape';
import type { Infer, Shape } from './shape';
import {
  ACTIONS,
  FAULT_NAMES,
  GRADES,
  JUDGED_PARTS,
  OBSERVATION_NAMES,
  PARTS,
  TEST_NAMES,
  VERDICTS,
} from './vocabulary';

export const JUDGEMENT_FORMAT = 'tetrad-judgement/1';

/** What may be asked for next: a reading, an observation, or a charge. */
export const STEP_NAMES = [...TEST_NAMES, ...OBSERVATION_NAMES, 'charge'] as const;
export type StepName = (typeof STEP_NAMES)[number];

const because = text(1, 2000);
const nothing: Shape<null> = {
  schema: { type: 'null' },
  check(value, path, misfits) {
    if (value !== null) misfits.push({ path, found: String(value), allowed: 'null' });
  },
};

const gradedReading = object({ id: text(1), grade: word(GRADES), limit: text(), because }, {});
const evidence = object(
  { weight: number(), says: text(1) },
  { reading: text(1), observation: text(1), symptom: text(1) },
);
const fault = object(
  { fault: word(FAULT_NAMES), probability: number({ min: 0, max: 1 }), evidence: list(evidence) },
  {},
);
const verdict = object(
  { verdict: word(VERDICTS), because, missing: list(word(STEP_NAMES)) },
  { where: list(word(STEP_NAMES)) },
);
const stepConditions: Shape<Readonly<Record<string, number | string | boolean>>> = {
  schema: { type: 'object' },
  check: () => undefined,
};
const nextStep = object(
  { test: word(STEP_NAMES), because, minutes: number({ min: 0 }), conditions: stepConditions },
  { battery: integer(1, 3) },
);
const piece = object({ piece: text(1), volts: number(), share: number() }, { ohms: number() });
const maybe = either(number(), nothing, 'a number or null');
const comparison = object({ test: word(TEST_NAMES), before: maybe, after: maybe, limit: text(), solved: flag() }, {});
const derived = object(
  {},
  {
    stateOfCharge: number({ min: 0, max: 1 }),
    loadAmps: number(),
    loadFloorVolts: number(),
    crankingOhms: number(),
    equivalentLoadVolts: number(),
    sag: object({ batteryVolts: number(), excessDrawVolts: number() }, {}),
    expectedDrawAmps: object({ min: number(), max: number() }, {}),
    daysToNoStart: number(),
  },
);

const parts = object(
  Object.fromEntries(JUDGED_PARTS.map((part) => [part, verdict])) as Record<
    (typeof JUDGED_PARTS)[number],
    typeof verdict
  >,
  {},
);

export const judgementShape = object(
  {
    format: word([JUDGEMENT_FORMAT]),
    criteria: object({ id: text(1), version: integer(1, 1_000_000) }, {}),
    readings: list(gradedReading),
    faults: list(fault),
    parts,
    decision: object(
      {
        action: word(ACTIONS),
        part: either(word(PARTS), nothing, 'a part or null'),
        fault: either(word(FAULT_NAMES), nothing, 'a fault or null'),
        because,
      },
      {},
    ),
    next: list(nextStep),
    derived,
    budget: object({ starting: list(piece), charging: list(piece) }, {}),
    cautions: list(text(1)),
  },
  { comparison: list(comparison) },
);

export type Judgement = Infer<typeof judgementShape>;
export type GradedReading = Infer<typeof gradedReading>;
export type FaultEvidence = Infer<typeof evidence>;
export type RankedFault = Infer<typeof fault>;
export type PartVerdict = Infer<typeof verdict>;
export type NextStep = Infer<typeof nextStep>;
export type BudgetPiece = Infer<typeof piece>;
export type Derived = Infer<typeof derived>;
export type Decision = Judgement['decision'];

/** The published JSON Schema of a judgement. */
export const judgementSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: JUDGEMENT_FORMAT,
  title: 'Tetrad judgement',
  ...judgementShape.schema,
};
