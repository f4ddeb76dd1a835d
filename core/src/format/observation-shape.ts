/** What was seen, heard or tried: a finding that its observation knows. */
import { OBSERVATIONS, OBSERVATION_NAMES, isObservationName } from '../trade/tables';
import type { ObservationName } from './names';
import { object, text, word } from './shape';
import type { Shape } from './shape';
import { PASSES } from './words';

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

const findingsOf = new Map(OBSERVATION_NAMES.map((about) => [about, word(OBSERVATIONS[about].findings)]));

export const observationShape: Shape<Observation> = {
  schema: {
    ...observationFields.schema,
    allOf: [...findingsOf].map(([about, shape]) => ({
      if: { properties: { about: { const: about } } },
      then: { properties: { finding: shape.schema } },
    })),
  },
  wanted: observationFields.wanted,
  check(value, path, report) {
    const before = report.misfits.length;
    observationFields.check(value, path, report);
    if (report.misfits.length > before) return;
    const { about, finding } = value as { about: string; finding: string };
    if (isObservationName(about)) findingsOf.get(about)?.check(finding, `${path}.finding`, report);
  },
};
