/** Packs: every battery its own charge, health and verdict, and which ones a decision speaks of. */
import type { Reading } from '../../format/case-shape';
import type { BatteryVerdict } from '../../format/judgement-shape';
import type { Verdict } from '../../format/words';
import { HEALTH_TESTS } from '../../trade/health-tests';
import type { Said } from '../../words/phrases';
import { isChargeOwed } from '../derive/charge';
import { fuseHealth } from '../derive/health';
import type { Figures } from '../derive/derive';
import { isOutside } from '../grade/limit-of';
import type { Evidence } from '../prove/evidence';
import type { Ranked } from '../rank/rank-faults';
import { forUnit } from '../see';
import type { Situation } from '../situation';

/** Of a pack: the weak battery, the ones that go with it, and how they are joined. */
export interface PackSaid {
  readonly weak: readonly number[];
  readonly batteries: readonly number[];
  readonly arrangement: 'parallel' | 'series';
  readonly count: number;
}

/** Under this share of its rating a battery is worn. */
const WORN_HEALTH = 0.7;
/** Tests that tell on a battery whatever its health was measured to be. */
const BEYOND_HEALTH: readonly string[] = ['specific-gravity', 'hold-charge'];
/** Tests that condemn one battery of a pack by themselves. */
const CONDEMNING: readonly string[] = [...HEALTH_TESTS, ...BEYOND_HEALTH];

/** Readings of single batteries that condemn them. */
const condemning = (situation: Situation): readonly Reading[] =>
  situation.readings.filter(
    (reading) => reading.battery !== undefined && CONDEMNING.includes(reading.test) && isOutside(situation, reading),
  );

/**
 * The batteries whose own readings speak for the fault; one in parallel takes the whole pack with it. Beside a
 * battery that is worn by all its measures together, one narrow failure of another names nobody.
 */
export function packOf({ lines }: Ranked, { situation, figures }: Evidence): PackSaid | null {
  const { count = 1, arrangement } = situation.case.system.battery;
  if (count < 2 || arrangement === undefined || arrangement === 'single') return null;
  const all = Array.from({ length: count }, (_, i) => i + 1);
  const outside = condemning(situation);
  const against = new Set(
    lines.flatMap(({ finding: { source }, weight }) => (weight > 0 && 'reading' in source ? [source.reading] : [])),
  );
  const named = situation.readings.filter(({ id, battery }) => battery !== undefined && against.has(id));
  const plain = outside.filter(
    ({ battery, test }) => BEYOND_HEALTH.includes(test) || isWorn(healthOf(battery!, figures)),
  );
  const own = [plain, outside, named].find((list) => list.length > 0)?.map(({ battery }) => battery!) ?? [];
  const weak = [...new Set(own)].sort();
  return { weak, batteries: arrangement === 'parallel' ? all : weak, arrangement, count };
}

/** A battery's health by all its ways together; null where it was not measured. */
function healthOf(battery: number, figures: Figures): number | null {
  const fused = fuseHealth(figures.ways, battery);
  return fused ? Math.exp(fused.lnHealth) : null;
}

const isWorn = (health: number | null): boolean => health !== null && health < WORN_HEALTH;

/** The batteries of a pack that must be charged before anything else. */
export const flatBatteries = (situation: Situation): readonly number[] =>
  situation.units.filter((unit) => isChargeOwed(forUnit(situation, unit)));

/** Every battery that was read on its own. */
export const batteryVerdicts = (
  situation: Situation,
  figures: Figures,
  pack: { readonly verdict: Verdict; readonly batteries: readonly number[] },
): readonly (Omit<BatteryVerdict, 'because' | 'code' | 'with'> & { readonly because: Said })[] => {
  const outside = condemning(situation);
  return situation.units.map((battery) => {
    const unit = forUnit(situation, battery);
    const health = healthOf(battery, figures);
    const isWeak = isWorn(health) || outside.some((reading) => reading.battery === battery);
    const verdict: Verdict =
      pack.verdict === 'replace' && pack.batteries.includes(battery)
        ? 'replace'
        : isChargeOwed(unit)
          ? 'charge-first'
          : isWeak
            ? 'not-proven'
            : health !== null && unit.charge !== null
              ? 'keep'
              : 'not-tested';
    return {
      battery,
      verdict,
      ...(unit.charge !== null && { stateOfCharge: unit.charge }),
      ...(health !== null && { health }),
      because: {
        code: `battery-${verdict}`,
        with: {
          battery,
          ...(unit.charge !== null && { charge: unit.charge }),
          ...(health !== null && { health }),
          isWeak,
        },
      },
    };
  });
};
