/** After a repair: what failed before lies within its limits now. */
import type { FaultName } from '../../format/names';
import type { Part } from '../../format/words';
import type { Reading } from '../../format/reading-shape';
import type { GradedCase } from '../../evidence/case-context';
import { isOutside } from '../../evidence/limit-of';
import { threshold } from '../../criteria/weights';
import { testsToRepeat } from '../compare/repeat-tests';
import { isCallable, partOf } from '../rank/part-of';
import type { WeighedPass } from '../weigh-pass';
import { decidingReading } from './deciding';

/** What the first pass was about: the fault that was called, or the one that led. */
export interface FirstPass {
  readonly gradedCase: GradedCase;
  readonly fault: FaultName;
  readonly part: Part;
  /** The deciding reading of that pass; null where there is none. */
  readonly deciding: Reading | null;
}

export interface Repaired {
  readonly fault: FaultName;
  readonly part: Part;
  readonly before: Reading;
  readonly after: Reading;
}

/** What the first pass was about; null where nothing was suspected in it. */
export function firstPass({ provenCase, failing, ranked, choice }: WeighedPass): FirstPass | null {
  const { gradedCase } = provenCase;
  const { action } = choice;
  if (action?.fault) {
    const { fault, part } = action;
    return { gradedCase, fault: fault.fault, part, deciding: decidingReading(action, provenCase, failing) };
  }
  const across = new Set(failing.flatMap(({ faults }) => faults));
  const led = ranked.find(({ fault }) => isCallable(fault) && (across.size === 0 || across.has(fault)));
  if (!led || (across.size === 0 && led.probability < threshold('suspected'))) return null;
  return { gradedCase, fault: led.fault, part: partOf(led.fault, gradedCase)!, deciding: null };
}

/** @returns what was repaired, with the same reading before and after; null while something of it is open or still fails. */
export function repaired({ gradedCase: before, fault, part, deciding }: FirstPass, after: GradedCase): Repaired | null {
  if (after.readings.some((reading) => isOutside(after, reading))) return null;
  const failed = testsToRepeat(before, after).filter((pair) => isOutside(before, pair.before));
  const again = failed.flatMap((pair) =>
    pair.after && pair.after.value !== null ? [{ ...pair, after: pair.after }] : [],
  );
  if (failed.length === 0 || again.length < failed.length) return null;
  const shown = again.find((pair) => pair.before.id === deciding?.id) ?? again[0]!;
  return { fault, part, before: shown.before, after: shown.after };
}
