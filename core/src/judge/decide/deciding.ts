/** The deciding reading: the one without which the decision would fall. */
import { isOutside } from '../../evidence/limit-of';
import type { GradedCase } from '../../evidence/case-context';
import { isHealthTest } from '../../evidence/health';
import type { Reading } from '../../format/reading-shape';
import { TESTS } from '../../trade/tables';
import type { Failure } from '../derive/failures';
import { proveCase } from '../prove/prove';
import type { ProvenCase } from '../prove/prove';
import { EVEN_ODDS } from '../rank/even-odds';
import { sumOf } from './final-action';
import type { Call } from './final-action';

/**
 * Each reading outside its limit is left out: the call falls without it where the part is no longer as likely as not, since
 * what the reading adds to the odds is what the call loses, or where an excuse of the fault is open again. Readings of the part
 * come before those that show what it does elsewhere, those without which the call falls before the others; of
 * several one straight across the fault, and then the one that adds most.
 *
 * @returns null where the fault was seen and not read.
 */
export function decidingReading(
  { fault: { fault, lines, probability: called }, part, group }: Call,
  { gradedCase, probability, figures }: ProvenCase,
  failing: readonly Failure[],
): Reading | null {
  const adds = new Map<string, number>();
  for (const { finding, weight } of lines)
    if (weight > 0 && 'reading' in finding.source)
      adds.set(finding.source.reading, (adds.get(finding.source.reading) ?? 0) + weight);
  const { ways } = figures;
  // one finding of all measures of health stands with the last of them
  const health = ways.filter(({ reading }) => isOutside(gradedCase, reading)).sort((a, b) => a.health - b.health);
  const told = ways.reduce((sum, { reading }) => sum + (adds.get(reading.id) ?? 0), 0);
  if (told > 0) health.forEach(({ reading }, place) => adds.set(reading.id, told / (place + 1)));
  const isAcross = (reading: Reading): boolean =>
    failing.some((entry) => entry.reading.id === reading.id && entry.faults.includes(fault));
  const isOfPart = (reading: Reading): boolean =>
    isAcross(reading) ||
    TESTS[reading.test].tellsOf === part ||
    (part === 'battery' && (isHealthTest(reading.test) || reading.test === 'resting-voltage'));
  const addsOf = ({ id }: Reading): number => adds.get(id) ?? 0;
  const others = sumOf(
    group.filter((one) => one !== fault),
    (one) => probability[one],
  );
  const falls = (reading: Reading): boolean =>
    others + without(called, addsOf(reading)) < EVEN_ODDS ||
    !proveCase({ gradedCase: leaveOut(reading, gradedCase), figures, probability }).proofOf(fault).proven;
  const outside = gradedCase.readings.filter(
    (reading) => isOutside(gradedCase, reading) && (isOfPart(reading) || addsOf(reading) > 0),
  );
  if (outside.length < 2) return outside[0] ?? null;
  const weighed = outside.map((reading) => ({
    reading,
    isOfPart: Number(isOfPart(reading)),
    falls: Number(falls(reading)),
    isAcross: Number(isAcross(reading)),
    adds: addsOf(reading),
  }));
  weighed.sort((a, b) => b.isOfPart - a.isOfPart || b.falls - a.falls || b.isAcross - a.isAcross || b.adds - a.adds);
  return weighed[0]!.reading;
}

/** A probability without what a finding adds to its log-odds. */
const without = (probability: number, adds: number): number =>
  1 / (1 + ((1 - probability) / probability) * Math.exp(adds));

/** The case as if the reading had not been taken. */
function leaveOut(reading: Reading, gradedCase: GradedCase): GradedCase {
  const left = (all: readonly Reading[]): readonly Reading[] => all.filter(({ id }) => id !== reading.id);
  const byTest = new Map(gradedCase.byTest);
  byTest.set(reading.test, left(byTest.get(reading.test) ?? []));
  return { ...gradedCase, readings: left(gradedCase.readings), byTest };
}
