import { isWeakBesideNeighbor, weakestHealth } from '../../evidence/health';
import type { HealthWay } from '../../evidence/health';
import { causes, weighed } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import type { DerivedCase } from '../../evidence/derived-case';
import { message } from '../messages';

/** A cranking voltage that passes its floor raises at most a suspicion, even odds, until a second way agrees. */
const SUSPICION = 1.2;
/**
 * All ways lean on one label, of which about one in fifty is taken wrongly. Another standard, size or digit makes the
 * figure 0.57 to 1.75 times as large: 0.4 in logarithms.
 */
const LABEL_SLIPS = { share: 0.02, sd: 0.4 };
/** Health is told up to this share of the rating. */
const MAX_TOLD = 1.2;

/** What all measures of health say together, of the weakest battery. */
export function healthFindings(seen: DerivedCase): readonly Finding[] {
  const worst = weakestHealth(seen.gradedCase, seen.figures.ways);
  if (!worst) return [];
  const { lnHealth, spread, ways } = worst.fused;
  const passes = (way: HealthWay): boolean =>
    way.way === 'cranking' && seen.gradedCase.grades.get(way.reading.id)?.grade !== 'outside';
  const isSuspicion = ways.every(passes);
  const isLabelSure =
    seen.gradedCase.case.system.battery.rating?.confirmed === true ||
    isWeakBesideNeighbor(seen.gradedCase, seen.figures.ways);
  return [
    weighed('health', lnHealth, {
      causes: causes('battery-worn', ['battery-dead-cell', 0.9]),
      error: spread,
      atMost: isSuspicion ? SUSPICION : Infinity,
      slips: isLabelSure ? undefined : LABEL_SLIPS,
      source: { reading: ways.at(-1)!.reading.id },
      says: message('health', {
        health: Math.min(MAX_TOLD, Math.exp(lnHealth)),
        ways: [...new Set(ways.map(({ way }) => way))],
        ...(worst.battery !== undefined && { battery: worst.battery }),
      }),
    }),
  ];
}
