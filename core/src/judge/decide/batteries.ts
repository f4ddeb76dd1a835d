/** Packs: every battery its own charge, health and verdict, and which ones a decision speaks of. */
import type { Reading } from '../../format/reading-shape';
import type { Verdict } from '../../format/words';
import { TESTS, TEST_NAMES } from '../../trade/tables';
import type { Message } from '../../format/message';
import { isChargeOwed } from '../../evidence/charge';
import type { DerivedCase } from '../../evidence/derived-case';
import { fuseHealth, isHealthTest } from '../../evidence/health';
import type { Figures } from '../../evidence/figures';
import { isOutside } from '../../evidence/limit-of';
import type { ProvenCase } from '../prove/prove';
import type { Ranked } from '../rank/rank-faults';
import { asOwnBattery } from '../../evidence/own-battery';
import type { GradedCase } from '../../evidence/case-context';
import { message } from '../messages';
import type { PackParams } from '../message-params';

/** Under this share of its rating a battery is worn. */
const WORN_HEALTH = 0.7;
/** Tests that condemn one battery of a pack by themselves. */
const CONDEMNING: ReadonlySet<string> = new Set(TEST_NAMES.filter((test) => TESTS[test].tellsOf === 'battery'));

/** Readings of single batteries that condemn them. */
const condemning = (gradedCase: GradedCase): readonly Reading[] =>
  gradedCase.readings.filter(
    (reading) => reading.battery !== undefined && CONDEMNING.has(reading.test) && isOutside(gradedCase, reading),
  );

/**
 * The batteries whose own readings speak for the fault; one in parallel takes the whole pack with it. Beside a
 * battery that is worn by all its measures together, one narrow failure of another names nobody.
 */
export function packOf({ lines }: Ranked, { gradedCase, figures }: ProvenCase): PackParams | null {
  const { count = 1, arrangement } = gradedCase.case.system.battery;
  if (count < 2 || arrangement === undefined || arrangement === 'single') return null;
  const all = Array.from({ length: count }, (_, i) => i + 1);
  const outside = condemning(gradedCase);
  const against = new Set(
    lines.flatMap(({ finding: { source }, weight }) => (weight > 0 && 'reading' in source ? [source.reading] : [])),
  );
  const named = gradedCase.readings.filter(({ id, battery }) => battery !== undefined && against.has(id));
  // what is no measure of health tells on a battery whatever its health was measured to be
  const plain = outside.filter(({ battery, test }) => !isHealthTest(test) || isWorn(healthOf(battery!, figures)));
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
export const flatBatteries = (gradedCase: GradedCase): readonly number[] =>
  gradedCase.units.filter((unit) => isChargeOwed(asOwnBattery(gradedCase, unit)));

/** The verdict of one battery of a pack. */
export interface OwnVerdict {
  readonly battery: number;
  readonly verdict: Verdict;
  readonly stateOfCharge?: number;
  readonly health?: number;
  readonly because: Message;
}

/** Every battery that was read on its own. @param pack The verdict on the pack, and the batteries it names, from 1. */
export const batteryVerdicts = (
  { gradedCase, figures }: DerivedCase,
  pack: { readonly verdict: Verdict; readonly batteries: readonly number[] },
): readonly OwnVerdict[] => {
  const outside = condemning(gradedCase);
  return gradedCase.units.map((battery) => {
    const unit = asOwnBattery(gradedCase, battery);
    const health = healthOf(battery, figures);
    const isWeak = isWorn(health) || outside.some((reading) => reading.battery === battery);
    const verdict =
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
      because: message(`battery-${verdict}` as const, {
        battery,
        ...(unit.charge !== null && { charge: unit.charge }),
        ...(health !== null && { health }),
        isWeak,
      }),
    };
  });
};
