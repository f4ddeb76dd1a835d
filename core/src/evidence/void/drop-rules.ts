/** What makes a drop unfit to judge by; the paths themselves are known to `circuit/paths.ts` alone. */
import { isCrankingPath, isPartOf, isPathTest, pathOf } from '../../circuit/paths';
import { availableAmps, isOpen, toldAmps } from '../path-amps';
import { isNumeric, latest } from '../case-context';
import { isFlowUnknown, isFlowless } from '../flow';
import type { NumericReading, CaseContext } from '../case-context';
import { ofFigure } from './void-rule';
import { contradictionsOf } from '../path-readings';
import { message } from '../messages';
import type { Compared, VoidRule } from './void-rule';
import type { Reading } from '../../format/reading-shape';

/** Least share of the usual current at which a drop means anything. */
const MIN_CURRENT_SHARE = 0.5;
/** From this share on, a drop that fails already fails for sure: more current only deepens it. */
const MIN_TELLING_SHARE = 0.15;
/** Across a piece that is not open, while the whole stands open, there is less than this (12 V). */
const CLOSED_VOLTS = 1;
/** A drop cannot be deeper than the battery, but two meters differ by this share. */
const METERS_DIFFER = 1.08;
const USUAL_FULL_VOLTS = 12.7;

/** Less across a path than lies across one that is open. @param scale Nominal volts / 12. */
export const isNextToNothing = ({ value }: Reading, scale: number): boolean =>
  typeof value === 'number' && Math.abs(value) < CLOSED_VOLTS * scale;

/** Near zero across a piece while the whole path stands open: the current is missing because of the other piece. */
function isClosedPart(reading: NumericReading, context: CaseContext): boolean {
  const { test } = reading;
  if (!isPathTest(test) || !isNextToNothing(reading, context.scale)) return false;
  return context.readings.some(
    (whole) => isPathTest(whole.test) && isPartOf(test, whole.test) && isNumeric(whole) && isOpen(whole, context),
  );
}

const isPlainlyLost = (compared: Compared): boolean => compared()?.grade === 'outside';

/**
 * What is known of the current where nothing is told with the drop: the amps of the starter where there were none, null
 * where it did not turn and nobody read them, undefined where it turned.
 */
function knownAmps(reading: NumericReading, context: CaseContext, compared: Compared): number | null | undefined {
  if (!isCrankingPath(reading.test)) return undefined;
  if (isFlowUnknown(context)) return null;
  // volts that are lost prove a current, whatever the clamp said
  return isFlowless(context) && !isPlainlyLost(compared) ? latest(context, 'starter-draw')!.value : undefined;
}

export const dropWithoutCurrent: VoidRule = ofFigure((reading, context, compared) => {
  const { test } = reading;
  if (!isPathTest(test)) return null;
  const amps = toldAmps(reading, context) ?? knownAmps(reading, context, compared);
  const usual = availableAmps(pathOf(test).loadedBy, context);
  if (amps === undefined || (amps !== null && (usual === null || amps >= usual * MIN_CURRENT_SHARE))) return null;
  if (isOpen(reading, context) || isClosedPart(reading, context)) return null;
  if ((amps === null || amps >= usual! * MIN_TELLING_SHARE) && isPlainlyLost(compared)) return null;
  return amps === null ? message('drop-current-unknown', {}) : message('drop-without-current', { amps, usual: usual! });
});

/** Of a part and a whole that contradict each other one is wrong, and nobody knows which: both are void. */
export const partAboveWhole: VoidRule = (reading, context) => {
  const { test } = reading;
  if (!isPathTest(test) || latest(context, test)?.id !== reading.id) return null;
  const found = contradictionsOf(context).find(({ part, whole }) => part === test || whole === test);
  if (!found) return null;
  const [part, whole] = [latest(context, found.part)!.value, latest(context, found.whole)!.value];
  return message('part-above-whole', {
    partTest: found.part,
    part: Math.abs(part),
    wholeTest: found.whole,
    whole: Math.abs(whole),
  });
};

export const moreThanThereIs: VoidRule = ofFigure(({ test, value }, { resting, scale }) => {
  const there = resting ?? USUAL_FULL_VOLTS * scale;
  return Math.abs(value) > there * METERS_DIFFER ? message('more-than-there-is', { test, value, there }) : null;
});
