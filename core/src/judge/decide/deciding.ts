/** The deciding reading: the one without which the decision would fall. */
import { isOutside } from '../../evidence/limit-of';
import type { GradedCase } from '../../evidence/case-context';
import { isHealthTest } from '../../evidence/health';
import type { HealthWay } from '../../evidence/health';
import type { Reading } from '../../format/reading-shape';
import { TESTS } from '../../trade/tables';
import type { Failure } from '../derive/failures';
import type { Call } from './final-action';

/**
 * Of the readings outside their limit the one that says most for the fault that is called: straight across it, else of its
 * part, else any that speaks for it.
 *
 * @param ways The measures of the battery's health: together they are one finding, of which the worst speaks.
 * @returns null where the fault was seen and not read.
 */
export function decidingReading(
  { fault: { fault, lines }, part }: Call,
  gradedCase: GradedCase,
  failing: readonly Failure[],
  ways: readonly HealthWay[],
): Reading | null {
  const weights = new Map<string, number>();
  for (const { finding, weight } of lines)
    if (weight > 0 && 'reading' in finding.source)
      weights.set(finding.source.reading, (weights.get(finding.source.reading) ?? 0) + weight);
  // one finding of all measures of health stands with the last of them
  const health = ways.filter(({ reading }) => isOutside(gradedCase, reading)).sort((a, b) => a.health - b.health);
  const told = ways.reduce((sum, { reading }) => sum + (weights.get(reading.id) ?? 0), 0);
  if (told > 0) health.forEach(({ reading }, place) => weights.set(reading.id, told / (place + 1)));
  const rank = (reading: Reading): number =>
    failing.some((entry) => entry.reading.id === reading.id && entry.faults.includes(fault))
      ? 2
      : TESTS[reading.test].tellsOf === part || (part === 'battery' && isHealthTest(reading.test))
        ? 1
        : 0;
  const outside = gradedCase.readings.filter(
    (reading) => isOutside(gradedCase, reading) && (weights.has(reading.id) || rank(reading) === 2),
  );
  const weightOf = ({ id }: Reading): number => weights.get(id) ?? 0;
  return outside.sort((a, b) => rank(b) - rank(a) || weightOf(b) - weightOf(a))[0] ?? null;
}
