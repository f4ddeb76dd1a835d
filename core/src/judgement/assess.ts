import type { Reading } from '../case/case-shape';
import { TESTS } from '../case/vocabulary';
import type { Grade } from '../case/vocabulary';
import { formatQuantity, formatSmallVolts } from '../quantities/format';
import { limitsOf } from '../criteria/limits-of';
import { applies, resolveLimit } from './resolve-limit';
import type { ResolvedLimit } from './resolve-limit';
import { forUnit } from './situation';
import type { Situation } from './situation';

/** A reading, graded: what the judgement says of it, and the range behind it for drawing. */
export interface Assessment {
  readonly id: string;
  readonly reading: Reading;
  readonly grade: Grade;
  readonly limit: string;
  readonly because: string;
  /** The limit that decided; null where none applied. */
  readonly resolved: ResolvedLimit | null;
}

const SEVERITY: Readonly<Record<'within' | 'near' | 'outside', number>> = { within: 0, near: 1, outside: 2 };

/** Within, near (inside its uncertainty of the limit, or in the borderline zone) or outside. */
export function gradeAgainst(limit: ResolvedLimit, uncertainty = 0): 'within' | 'near' | 'outside' {
  const unsure = uncertainty * limit.perUnit;
  const margin = Math.min(limit.value - limit.min, limit.max - limit.value);
  if (Math.abs(margin) < unsure) return 'near';
  if (margin < 0) return 'outside';
  return margin < limit.borderline ? 'near' : 'within';
}

/** A reading's value for people. */
export function showValue(reading: Reading): string {
  const { value, test } = reading;
  if (value === null) return `not possible (${reading.notPossible ?? 'other'})`;
  if (value === 'OL') return 'OL';
  if (typeof value !== 'number') return value.map((cell) => cell.toFixed(3)).join(' · ');
  if (test.startsWith('drop-') || test.startsWith('ripple-')) return formatSmallVolts(value);
  return formatQuantity(value, TESTS[test].unit);
}

/** Grades a reading that is not void against every limit of the set that applies; the worst counts. */
export function assess(reading: Reading, whole: Situation): Assessment {
  const situation = forUnit(whole, reading);
  const { id } = reading;
  const noted = (because: string): Assessment => ({ id, reading, grade: 'noted', limit: '', because, resolved: null });
  if (reading.value === null) return noted(`${TESTS[reading.test].name}: ${showValue(reading)}.`);
  let worst: { readonly resolved: ResolvedLimit; readonly grade: 'within' | 'near' | 'outside' } | null = null;
  for (const limit of limitsOf(situation.criteria, reading.test)) {
    const resolved = applies(limit, reading, situation) ? resolveLimit(limit, reading, situation) : null;
    if (!resolved) continue;
    const grade = gradeAgainst(resolved, reading.uncertainty);
    if (!worst || SEVERITY[grade] > SEVERITY[worst.grade]) worst = { resolved, grade };
  }
  if (!worst) return noted(whyNoted(reading, situation));
  return {
    id,
    reading,
    grade: worst.grade,
    limit: worst.resolved.text,
    because: why(worst, reading),
    resolved: worst.resolved,
  };
}

function whyNoted(reading: Reading, situation: Situation): string {
  const value = showValue(reading);
  if (reading.test === 'charging-voltage' && situation.regulation === 'commanded')
    return `${value}: the target of a commanded alternator moves; read the commanded target and enter it beside this.`;
  if (reading.test === 'alternator-current')
    return `${value} is what the vehicle asked for, not what the alternator can give: load it until the system is at 13.0 V or less.`;
  if (reading.test === 'conductance' || reading.test === 'internal-resistance')
    return `${value}: the battery’s rating and its standard are needed to judge it.`;
  return `${value}, noted: no limit of this set applies.`;
}

function why({ resolved, grade }: { resolved: ResolvedLimit; grade: Grade }, reading: Reading): string {
  const value = showValue(reading);
  const { min, max } = resolved;
  const unsure = (reading.uncertainty ?? 0) * resolved.perUnit;
  if (grade === 'within') return `${value} is within its limit, ${resolved.text}.`;
  if (grade === 'near') {
    const margin = Math.min(resolved.value - min, max - resolved.value);
    return Math.abs(margin) < unsure
      ? `${value} is nearer to its limit (${resolved.text}) than its uncertainty: repeat it or use another test.`
      : `${value} is borderline: ${resolved.text}.`;
  }
  const side = resolved.value < min ? 'below' : 'above';
  return `${value} is ${side} its limit, ${resolved.text}. ${resolved.note}`;
}
