/** What makes a drop unfit to judge by; the paths themselves are known to `trade/paths.ts` alone. */
import { isCrankingPath, isPartOf, isPathTest, pathOf } from '../../trade/paths';
import { availableAmps, isOpen, toldAmps } from '../derive/path-amps';
import { grade } from '../grade/grade';
import { isNumeric, latest } from '../situation';
import { isFlowUnknown, isFlowless } from '../weigh/flow';
import type { NumericReading, Sight } from '../situation';
import { ofFigure } from './void-rule';
import type { VoidRule } from './void-rule';

/** Least share of the usual current at which a drop means anything. */
const LEAST_CURRENT_SHARE = 0.5;
/** From this share on, a drop that fails already fails for sure: more current only deepens it. */
const LEAST_TELLING_SHARE = 0.15;
/** Across a piece that is not open, while the whole stands open, there is less than this (12 V). */
const CLOSED_VOLTS = 1;
/** A drop cannot be deeper than the battery, but two meters differ by this share. */
const METERS_DIFFER = 1.08;
const USUAL_FULL_VOLTS = 12.7;

/** Near zero across a piece while the whole path stands open: the current is missing because of the other piece. */
function isClosedPart(reading: NumericReading, sight: Sight): boolean {
  const { test } = reading;
  if (!isPathTest(test) || Math.abs(reading.value) >= CLOSED_VOLTS * sight.scale) return false;
  return sight.readings.some(
    (whole) => isPathTest(whole.test) && isPartOf(test, whole.test) && isNumeric(whole) && isOpen(whole, sight),
  );
}

const isPlainlyLost = (reading: NumericReading, sight: Sight): boolean => grade(reading, sight).grade === 'outside';

/**
 * What is known of the current where nothing is told with the drop: the amps of the starter where there were none, null
 * where it did not turn and nobody read them, undefined where it turned.
 */
function knownAmps(reading: NumericReading, sight: Sight): number | null | undefined {
  if (!isCrankingPath(reading.test)) return undefined;
  if (isFlowUnknown(sight)) return null;
  // volts that are lost prove a current, whatever the clamp said
  return isFlowless(sight) && !isPlainlyLost(reading, sight) ? latest(sight, 'starter-draw')!.value : undefined;
}

export const dropWithoutCurrent: VoidRule = ofFigure((reading, sight) => {
  const { test } = reading;
  if (!isPathTest(test)) return null;
  const amps = toldAmps(reading, sight) ?? knownAmps(reading, sight);
  const usual = availableAmps(pathOf(test).loadedBy, sight);
  if (amps === undefined || (amps !== null && (usual === null || amps >= usual * LEAST_CURRENT_SHARE))) return null;
  if (isOpen(reading, sight) || isClosedPart(reading, sight)) return null;
  if ((amps === null || amps >= usual! * LEAST_TELLING_SHARE) && isPlainlyLost(reading, sight)) return null;
  return amps === null
    ? { code: 'drop-current-unknown', with: {} }
    : { code: 'drop-without-current', with: { amps, usual } };
});

/** Of a part and a whole that contradict each other one is wrong, and nobody knows which: both are void. */
export const partAboveWhole: VoidRule = (reading, sight) => {
  const { test } = reading;
  if (!isPathTest(test) || latest(sight, test)?.id !== reading.id) return null;
  const found = sight.paths().contradictions.find(({ part, whole }) => part === test || whole === test);
  if (!found) return null;
  const [part, whole] = [latest(sight, found.part)!.value, latest(sight, found.whole)!.value];
  return {
    code: 'part-above-whole',
    with: { partTest: found.part, part: Math.abs(part), wholeTest: found.whole, whole: Math.abs(whole) },
  };
};

export const moreThanThereIs: VoidRule = ofFigure(({ test, value }, { resting, scale }) => {
  const there = resting ?? USUAL_FULL_VOLTS * scale;
  return Math.abs(value) > there * METERS_DIFFER ? { code: 'more-than-there-is', with: { test, value, there } } : null;
});
