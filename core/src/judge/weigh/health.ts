import { batteryUnits } from '../situation';
import { fuseHealth } from '../derive/health';
import type { FusedHealth, HealthWay } from '../derive/health';
import { causes, weighed } from './finding';
import type { Finding } from './finding';
import type { Seen } from './seen';

/** A cranking voltage that passes its floor raises at most a suspicion, even odds, until a second way agrees. */
const SUSPICION = 1.2;
/** Health is told up to this share of the rating. */
const MOST_TOLD = 1.2;

/** The weakest battery of a pack by all its ways together; null where none was measured. */
export function weakest({
  situation,
  figures,
}: Seen): { readonly battery: number | undefined; readonly fused: FusedHealth } | null {
  let found: { readonly battery: number | undefined; readonly fused: FusedHealth } | null = null;
  for (const battery of batteryUnits(situation)) {
    const fused = fuseHealth(figures.ways, battery);
    if (fused && (!found || fused.lnHealth < found.fused.lnHealth)) found = { battery, fused };
  }
  return found;
}

/** What all measures of health say together, of the weakest battery. */
export function healthFindings(seen: Seen): readonly Finding[] {
  const worst = weakest(seen);
  if (!worst) return [];
  const { lnHealth, spread, ways } = worst.fused;
  const passes = (way: HealthWay): boolean =>
    way.way === 'cranking' && seen.situation.graded.get(way.reading.id)?.grade !== 'outside';
  const isSuspicion = ways.every(passes);
  return [
    weighed('health', lnHealth, {
      causes: causes('battery-worn', ['battery-dead-cell', 0.9]),
      error: spread,
      ...(isSuspicion && { atMost: SUSPICION }),
      source: { reading: ways.at(-1)!.reading.id },
      says: {
        code: 'health',
        with: {
          health: Math.min(MOST_TOLD, Math.exp(lnHealth)),
          ways: [...new Set(ways.map(({ way }) => way))],
          ...(worst.battery !== undefined && { battery: worst.battery }),
        },
      },
    }),
  ];
}
