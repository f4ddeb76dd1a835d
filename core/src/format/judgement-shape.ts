/** The shape of `tetrad-judgement/1`: the answer to a case. */
import { anything, either, flag, integer, list, nothing, number, object, text, word } from './shape';
import type { Infer, Shape } from './shape';
import { FAULT_WORDS, OBSERVATION_WORDS, TEST_WORDS } from './trade-words';
import { ACTIONS, ENGINE_STATES, GRADES, HEALTH_WAYS, JUDGED_PARTS, PARTS, PIECE_WORDS, VERDICTS } from './words';

export const JUDGEMENT_FORMAT = 'tetrad-judgement/1';

const because = text(1, 4000);
/** What a sentence was made of: its code and figures stand beside it. */
const said = { code: text(1, 80), with: anything<Readonly<Record<string, unknown>>>({ type: 'object' }) };
const saidShape = object(said, {});
const step = word([...TEST_WORDS, ...OBSERVATION_WORDS, 'charge', 'label']);

const gradedReading = object({ id: text(1), grade: word(GRADES), limit: text(), because, ...said }, {});
const evidence = object(
  { weight: number(), says: text(1), ...said },
  { reading: text(1), observation: text(1), symptom: text(1) },
);
const fault = object(
  { fault: word(FAULT_WORDS), probability: number({ min: 0, max: 1 }), evidence: list(evidence) },
  { wouldChange: list(object({ test: step, says: text(1), ...said }, {})) },
);
const verdict = object(
  { verdict: word(VERDICTS), because, missing: list(step), ...said },
  { again: list(step), where: list(step) },
);
const batteryVerdict = object(
  { battery: integer(1, 3), verdict: word(VERDICTS), because, ...said },
  { stateOfCharge: number({ min: 0, max: 1 }), health: number() },
);
const stepConditions: Shape<Readonly<Record<string, number | string | boolean>>> = anything({ type: 'object' });
const nextStep = object(
  { test: step, because, minutes: number({ min: 0 }), conditions: stepConditions, ...said },
  { battery: integer(1, 3), optional: flag() },
);
const piece = object(
  { piece: text(1), volts: number(), share: number(), kind: word(['lost', 'left']) },
  { ohms: number(), pieces: list(word(PIECE_WORDS)) },
);
const maybe = either(number(), nothing());
const comparison = object({ test: word(TEST_WORDS), before: maybe, after: maybe, limit: text(), solved: flag() }, {});
const way = object(
  { way: word(HEALTH_WAYS), health: number(), spread: number(), reading: text(1) },
  { battery: integer(1, 3) },
);
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
    fuses: list(object({ fuse: text(0), amps: number({ min: 0 }) }, {})),
    ways: list(way),
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
        part: either(word(PARTS), nothing()),
        fault: either(word(FAULT_WORDS), nothing()),
        because,
        ...said,
      },
      {
        batteries: list(integer(1, 3)),
        minutes: number({ min: 0 }),
        plan: list(object({ engine: word(ENGINE_STATES), steps: integer(1, 100) }, {})),
        deciding: text(1),
        place: list(word(PIECE_WORDS)),
        ruledOut: list(
          object({ cause: text(1), readings: list(text(1)), ...said }, { observations: list(word(OBSERVATION_WORDS)) }),
        ),
        before: text(1),
        after: text(1),
        balance: object({ because: text(1), ...said }, {}),
      },
    ),
    next: list(nextStep),
    derived,
    budget: object({ starting: list(piece), charging: list(piece) }, {}),
    cautions: list(text(1)),
    cautionCodes: list(saidShape),
  },
  { comparison: list(comparison), batteries: list(batteryVerdict) },
);

export type Judgement = Infer<typeof judgementShape>;
export type GradedReading = Infer<typeof gradedReading>;
export type FaultEvidence = Infer<typeof evidence>;
export type RankedFault = Infer<typeof fault>;
export type PartVerdict = Infer<typeof verdict>;
export type BatteryVerdict = Infer<typeof batteryVerdict>;
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
