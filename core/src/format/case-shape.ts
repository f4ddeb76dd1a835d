/**
 * The shape of `tetrad-case/1`. What each test's value and conditions may be, and what each observation may find, is
 * known to the trade; it hands its tables in ({@link caseShapes}), so that the format reads none of them.
 */
import { list, number, object, show, text, word } from './shape';
import type { CheckReport } from './misfit';
import type { Infer, Shape } from './shape';
import { CASE_FORMAT } from './case-format';
import { LABEL_FIGURES } from './label-figures';
import type { TestName } from './names';
import { observationShape } from './observation-shape';
import type { KnownFindings, Observation } from './observation-shape';
import { readingShape } from './reading-shape';
import type { Reading, ReadingVocabulary } from './reading-shape';
import { system } from './system-shape';
import { SYMPTOM_WORDS } from './words';

export { CASE_FORMAT } from './case-format';

/** What the trade knows of the format's tests and observations. */
export interface CaseVocabulary {
  readonly tests: Readonly<Record<TestName, ReadingVocabulary>>;
  readonly observations: KnownFindings;
}

const complaint = object(
  {},
  { symptoms: list(word(SYMPTOM_WORDS), 0, 50), partsAlreadyReplaced: list(text(1, 80), 0, 50), note: text() },
);

const conditions = object(
  {},
  {
    batteryCelsius: LABEL_FIGURES.celsius,
    ambientCelsius: number({ min: -60, max: 60, unit: '°C' }),
  },
);

const bodyShape = (reading: Shape<Reading>, observation: Shape<Observation>) =>
  object(
    { format: word([CASE_FORMAT]), system, readings: list(reading) },
    { title: text(), complaint, conditions, observations: list(observation, 0, 1000) },
  );

/** One visit of one vehicle: all that was asked, seen and measured. */
export type Case = Infer<ReturnType<typeof bodyShape>>;
export type System = Case['system'];
export type BatteryLabel = System['battery'];
export type Rating = NonNullable<BatteryLabel['rating']>;

/** The shapes of a case and of the parts of it that are stored and edited by themselves. */
export function caseShapes({ tests, observations }: CaseVocabulary) {
  const reading = readingShape(tests);
  const observation = observationShape(observations);
  return {
    reading,
    parts: { system, complaint, conditions, observation },
    case: caseShape(bodyShape(reading, observation)),
  } as const;
}

/** The whole document; reading ids must not repeat. */
const caseShape = (body: Shape<Case>): Shape<Case> => ({
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
});
