/** A criteria set as it is edited: figures stay texts until they are understood, so that nothing typed is lost. */
import { checkCriteria, criteriaMisfits, misfitWords, parseEntry, ruleFields } from '@tetrad/core';
import type { CriteriaDocument, CriteriaFault, EntryUnit, Limit, Misfit, RuleField } from '@tetrad/core';

/** What is typed: by the path of its field in the document. */
export type Typed = Readonly<Record<string, string>>;

const UNITS: Readonly<Record<RuleField['unit'], EntryUnit>> = {
  V: 'V',
  A: 'A',
  SG: 'SG',
  min: 'min',
  share: '%',
  test: '',
  '': '',
};

/** A share is typed in percent, everything else in its own unit. */
const shown = (value: number, { unit }: Pick<RuleField, 'unit'>): string =>
  String(Number((unit === 'share' ? value * 100 : value).toPrecision(8)));

export interface LimitField {
  readonly path: string;
  readonly name: string;
  readonly unit: RuleField['unit'];
  readonly isOptional: boolean;
  /** Why it is asked, where its name does not say it. */
  readonly why?: string;
}

/** The figures of a limit that are edited one by one. */
export const fieldsOf = (limit: Limit, at: number): readonly LimitField[] => {
  const own = Object.entries(ruleFields(limit.rule.kind))
    .filter(([name]) => name !== 'points')
    .map(([name, { name: words, unit, isOptional = false }]) => ({
      path: `limits[${at}].rule.${name}`,
      name: words,
      unit,
      isOptional,
    }));
  const zone = { path: `limits[${at}].borderline`, name: 'Borderline within', isOptional: true };
  const points =
    limit.rule.kind === 'temperature-floor'
      ? limit.rule.points.map(([celsius], place) => ({
          path: `limits[${at}].rule.points[${place}][1]`,
          name: `At ${celsius} °C`,
          unit: 'V' as const,
          isOptional: false,
        }))
      : [];
  const cold =
    limit.temperature && 'atMinus18' in limit.temperature
      ? [
          {
            ...{ path: `limits[${at}].temperature.atMinus18`, name: 'At −18 °C, times the figure' },
            ...{ unit: '' as const, isOptional: false },
          },
        ]
      : [];
  return [...own, ...points, ...cold, { ...zone, unit: own[0]?.unit ?? (points.length > 0 ? 'V' : '') }];
};

type Json = Record<string | number, unknown>;
const stepsOf = (path: string): readonly (string | number)[] =>
  [...path.matchAll(/[^.[\]]+/g)].map(([step]) => (/^\d+$/.test(step) ? Number(step) : step));

export function valueAt(document: CriteriaDocument, path: string): unknown {
  return stepsOf(path).reduce<unknown>((value, step) => (value as Json | undefined)?.[step], document);
}
export const typedAt = (document: CriteriaDocument, { path, unit }: Pick<LimitField, 'path' | 'unit'>): string => {
  const value = valueAt(document, path);
  return typeof value === 'number' ? shown(value, { unit }) : '';
};

/** The document with another value; undefined takes an optional field away. */
export function withValue(document: CriteriaDocument, path: string, value: unknown): CriteriaDocument {
  const set = (node: unknown, [step, ...rest]: readonly (string | number)[]): unknown => {
    const inner = rest.length === 0 ? value : set((node as Json | undefined)?.[step!], rest);
    if (Array.isArray(node)) return node.map((one: unknown, at) => (at === step ? inner : one));
    const { [step!]: _before, ...others } = node as Json;
    return inner === undefined ? others : { ...others, [step!]: inner };
  };
  return set(document, stepsOf(path)) as CriteriaDocument;
}

/** What a text means in the unit of its field; a string says why it means nothing. */
export function understoodFigure(text: string, { unit, isOptional }: LimitField): number | undefined | string {
  const typed = text.trim();
  if (typed === '') return isOptional ? undefined : 'Needed: a figure.';
  const entry = parseEntry(typed, UNITS[unit]);
  if (!entry.ok) return `“${typed}” is no figure.`;
  return unit === 'share' ? entry.value / 100 : entry.value;
}

/** The places of shares, which a person types in percent. */
const sharePaths = ({ limits }: CriteriaDocument): ReadonlySet<string> =>
  new Set([
    'minimumCharge',
    ...limits.flatMap((limit, at) => fieldsOf(limit, at).flatMap(({ path, unit }) => (unit === 'share' ? [path] : []))),
  ]);

/** A misfit of a share as it is told to who typed it: in percent. */
function inPercent(misfit: Misfit): Misfit {
  const { wanted, found } = misfit;
  if (wanted.code !== 'number') return misfit;
  const ends = Object.fromEntries(
    (['min', 'max', 'above'] as const).flatMap((end) => {
      const value = wanted.with[end];
      return value === undefined ? [] : [[end, value * 100]];
    }),
  );
  const percent = Number(found) * 100;
  return {
    ...misfit,
    found: Number.isNaN(percent) ? found : String(Number(percent.toPrecision(8))),
    wanted: { code: 'number', with: { ...ends, unit: '%' } },
  };
}

/** Everything that is wrong with a document, by the path of its field. */
export function faultsOf(document: CriteriaDocument): readonly CriteriaFault[] {
  const shares = sharePaths(document);
  const misfits = criteriaMisfits(document).map((misfit) => {
    const field = misfit.path.replace(/^\$\.?/, '');
    const { found, allowed } = misfitWords(shares.has(field) ? inPercent(misfit) : misfit);
    return { field, found, allowed };
  });
  return misfits.length > 0 ? misfits : checkCriteria(document);
}

/** An id of its own for a copy: small letters, digits and -. */
export const idOfName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);
