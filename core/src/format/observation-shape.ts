/** What was seen, heard or tried: a finding that its observation knows. */
import type { ObservationName } from './names';
import { object, text, word } from './shape';
import type { Shape } from './shape';
import { OBSERVATION_WORDS } from './trade-words';
import { PASSES } from './words';

export interface Observation {
  readonly about: ObservationName;
  readonly finding: string;
  readonly note?: string;
  readonly pass?: (typeof PASSES)[number];
}

/** The findings that each observation knows. */
export type KnownFindings = Readonly<Record<ObservationName, { readonly findings: readonly string[] }>>;

/** @param known Its findings must be one of these. */
export function observationShape(known: KnownFindings): Shape<Observation> {
  const fields = object({ about: word(OBSERVATION_WORDS), finding: text(1, 80) }, { note: text(), pass: word(PASSES) });
  const findings = new Map<string, Shape<string>>(
    OBSERVATION_WORDS.map((about) => [about, word(known[about].findings)]),
  );
  return {
    schema: {
      ...fields.schema,
      allOf: [...findings].map(([about, shape]) => ({
        if: { properties: { about: { const: about } } },
        then: { properties: { finding: shape.schema } },
      })),
    },
    wanted: fields.wanted,
    check(value, path, report) {
      const before = report.misfits.length;
      fields.check(value, path, report);
      if (report.misfits.length > before) return;
      const { about, finding } = value as { about: string; finding: string };
      findings.get(about)?.check(finding, `${path}.finding`, report);
    },
  };
}
