/** Cases as documents: the shapes of the format with the trade's own words, and reading and writing by them. */
import { caseShapes } from '../format/case-shape';
import type { Case } from '../format/case-shape';
import { parseJson } from '../format/parse-json';
import { checkShape } from '../format/shape';
import type { Misfit } from '../format/misfit';
import { OBSERVATIONS, TESTS } from './tables';

const SHAPES = /* @__PURE__ */ caseShapes({ tests: TESTS, observations: OBSERVATIONS });

export const caseShape = SHAPES.case;
export const readingShape = SHAPES.reading;
/** Parts of a case that are stored and edited by themselves. */
export const caseParts = SHAPES.parts;

/** A case, or everything that keeps the document from being one. */
export type CaseResult =
  { readonly ok: true; readonly value: Case } | { readonly ok: false; readonly misfits: readonly Misfit[] };

/** Unknown fields are kept up to this many characters of JSON in one document. */
const MAX_UNKNOWN = 64_000;

/**
 * Checks a parsed document against `tetrad-case/1`.
 *
 * The value returned is the document itself: fields this version does not know stay in it and are
 * written back by {@link writeCase}. A document that does not fit is refused whole, with every
 * misfit named at once.
 *
 * @param document Anything that JSON can hold.
 * @returns the case, or all misfits; it never throws.
 */
export function checkCase(document: unknown): CaseResult {
  const { misfits, unknownLength } = checkShape(caseShape, document);
  if (unknownLength > MAX_UNKNOWN)
    misfits.push({
      path: '$',
      found: `${unknownLength} characters of unknown fields`,
      wanted: { code: 'less-unknown', with: { maxBytes: MAX_UNKNOWN } },
    });
  return misfits.length === 0 ? { ok: true, value: document as Case } : { ok: false, misfits };
}

/** Reads a case from JSON text; broken JSON is one misfit at `$`. */
export function readCase(json: string): CaseResult {
  const parsed = parseJson(json);
  return parsed.ok ? checkCase(parsed.document) : parsed;
}

/** Writes a case as JSON text, unknown fields included. */
export function writeCase(value: Case): string {
  return `${JSON.stringify(value, null, 2)}\n`;
}
