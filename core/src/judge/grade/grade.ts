/** Third stage: a reading against every limit of the set that applies; the worst counts. */
import type { Reading } from '../../format/case-shape';
import { limitsOf } from '../../criteria/criteria-set';
import type { Limit } from '../../criteria/criteria-set';
import { noteOf } from '../../criteria/limit-notes';
import { RULES } from '../../criteria/rules';
import type { Rule, RuleFigures } from '../../criteria/rules/rule';
import { openRange } from '../../criteria/rules/rule';
import { TESTS } from '../../trade/tables';
import { finiteEnds } from '../../words/phrases';
import type { Said } from '../../words/phrases';
import { forUnit } from '../see';
import { isNumeric, loadsOf } from '../situation';
import type { Sight } from '../situation';
import type { Assessment, ResolvedLimit } from './assessment';

type Judged = 'within' | 'near' | 'outside';
const SEVERITY: Readonly<Record<Judged, number>> = { within: 0, near: 1, outside: 2 };

/** How far inside its limit a figure lies; below 0 it is outside. */
const marginOf = ({ value, min, max }: ResolvedLimit): number => Math.min(value - min, max - value);

/** Within, near (inside its uncertainty of the limit, or in the borderline zone) or outside. */
function gradeAgainst(limit: ResolvedLimit, uncertainty = 0): Judged {
  const margin = marginOf(limit);
  if (Math.abs(margin) < uncertainty * limit.perUnit) return 'near';
  if (margin < 0) return 'outside';
  return margin < limit.borderline ? 'near' : 'within';
}

/** Does the limit speak of readings taken under these conditions? */
function applies({ when }: Limit, reading: Reading, { regulation, fuel }: Sight): boolean {
  if (!when) return true;
  if (when.loads && when.loads !== loadsOf(reading)) return false;
  if (when.regulation && when.regulation !== regulation) return false;
  if (when.fuel && when.fuel !== fuel) return false;
  return !when.methods || when.methods.includes(reading.conditions?.method ?? 'watched');
}

/** Brings a limit to a reading; null where the case lacks what the rule needs. */
function resolve(limit: Limit, reading: Reading, sight: Sight): ResolvedLimit | null {
  const { rule: figures, borderline = 0 } = limit;
  const rule: Rule<never> = RULES[figures.kind];
  const made = make(rule, figures as never, reading, sight);
  if (!made) return null;
  return {
    value: made.value ?? (isNumeric(reading) ? reading.value : Number.NaN),
    min: made.min ?? -Infinity,
    max: made.max ?? Infinity,
    borderline: rule.zone ? rule.zone(borderline, made, reading, sight) : borderline,
    perUnit: made.perUnit ?? 1,
    bound: made.bound,
    limit,
    drawn: made.drawn ?? null,
  };
}

function make(rule: Rule<never>, figures: never, reading: Reading, sight: Sight): RuleFigures | null {
  if (isNumeric(reading)) return rule.resolve(figures, reading, sight);
  if (reading.value === 'OL') return rule.resolveOpen?.(figures, reading, sight) ?? null;
  return Array.isArray(reading.value) && rule.resolveList
    ? rule.resolveList(figures, reading.value as readonly number[], reading)
    : null;
}

/** The maker's figure wins over every school's: the only limit of the test where there is one. */
function specifiedLimit(reading: Reading, { case: { system } }: Sight): ResolvedLimit | null {
  const { specified } = TESTS[reading.test];
  const range = specified?.(system, reading);
  if (!range || !isNumeric(reading)) return null;
  const ends = openRange(range);
  return {
    value: reading.value,
    ...ends,
    borderline: 0,
    perUnit: 1,
    bound: { code: 'specified', with: { test: reading.test, ...finiteEnds(ends) } },
    limit: null,
    drawn: ends,
  };
}

/** The limits that apply to a reading: the maker's figure alone, or the set's. */
function limitsFor(reading: Reading, sight: Sight): readonly ResolvedLimit[] {
  const specified = specifiedLimit(reading, sight);
  if (specified) return [specified];
  const found: ResolvedLimit[] = [];
  for (const limit of limitsOf(sight.criteria, reading.test)) {
    const resolved = applies(limit, reading, sight) ? resolve(limit, reading, sight) : null;
    if (resolved) found.push(resolved);
  }
  return found;
}

/** Grades a reading that is not void. */
export function grade(reading: Reading, whole: Sight): Assessment {
  const sight = forUnit(whole, reading.battery);
  const { id, test } = reading;
  const noted = (because: Said): Assessment => ({ id, reading, grade: 'noted', because, resolved: null });
  if (reading.value === null)
    return noted({ code: 'not-possible', with: { test, reason: reading.notPossible ?? 'other' } });
  let worst: { readonly resolved: ResolvedLimit; readonly grade: Judged } | null = null;
  for (const resolved of limitsFor(reading, sight)) {
    const found = gradeAgainst(resolved, reading.uncertainty);
    if (!worst || SEVERITY[found] > SEVERITY[worst.grade]) worst = { resolved, grade: found };
  }
  const row = TESTS[test];
  if (!worst) return noted(row.noted?.(reading, sight) ?? { code: 'no-limit', with: { reading } });
  return { id, reading, grade: worst.grade, because: whyOf(worst, reading, sight), resolved: worst.resolved };
}

function whyOf(
  { resolved, grade: found }: { resolved: ResolvedLimit; grade: Judged },
  reading: Reading,
  sight: Sight,
): Said {
  const { test, value } = reading;
  const amps = reading.conditions?.amps;
  const figures = { test, value, bound: resolved.bound, amps };
  if (found === 'within') return TESTS[test].remark?.(reading, sight) ?? { code: 'within-limit', with: figures };
  if (found === 'near')
    return Math.abs(marginOf(resolved)) < (reading.uncertainty ?? 0) * resolved.perUnit
      ? { code: 'too-close', with: { ...figures, uncertainty: reading.uncertainty } }
      : { code: 'borderline', with: figures };
  const { limit } = resolved;
  return {
    code: resolved.value < resolved.min ? 'below-limit' : 'above-limit',
    with: limit
      ? { test, value, bound: resolved.bound, amps, note: noteOf(limit, TESTS[test].scales ? sight.scale : 1) }
      : figures,
  };
}
