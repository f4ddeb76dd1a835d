/** Why a step is asked for, and what readings that contradict each other ask for once more. */
import { isCrankingPath, isPathTest } from '../../circuit/paths';
import { batteryUnits, isTried } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { isFlowUnknown, isStill } from '../../evidence/flow';
import { isHealthTest } from '../../evidence/health';
import type { Message } from '../../format/message';
import type { StepName } from '../../format/names';
import { disagreeing } from '../derive/health';
import { message } from '../messages';
import type { ProvenCase } from '../prove/prove';

export function reasonOf(name: StepName, isAsked: boolean, apart: Message | null, gradedCase: GradedCase): Message {
  if (apart && isHealthTest(name)) return apart;
  if (name === 'starter-draw' && isFlowUnknown(gradedCase)) return message('jam-or-open', {});
  if (isCrankingPath(name) && isStill(gradedCase)) return message('finds-what-is-open', {});
  return message(isAsked ? 'settles-and-asked' : 'settles', { step: name });
}

/** Two ways to a battery's health that disagree: a third is asked for, and both figures are told. */
export function waysApart({ gradedCase, figures: { ways } }: ProvenCase): Message | null {
  for (const battery of batteryUnits(gradedCase)) {
    const pair = disagreeing(ways, battery);
    if (!pair) continue;
    const [low, high] = pair;
    return message('ways-disagree', {
      low: { way: low.way, health: low.health },
      high: { way: high.way, health: high.health },
      ...(battery !== undefined && { battery }),
    });
  }
  return null;
}

/** Both readings of a contradiction are asked for once more. */
export function contradicting({ case: { readings }, grades, pass }: GradedCase): ReadonlySet<StepName> {
  const tried = readings.filter(
    (reading) =>
      isPathTest(reading.test) && isTried(reading, pass) && reading.value !== null && !grades.has(reading.id),
  );
  return new Set(tried.map(({ test }) => test));
}
