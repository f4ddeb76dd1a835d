import type { Judgement } from '../../format/judgement-shape';

/**
 * The judgement with minutes to a decision that do not grow as work is done. A slightly other order makes the remaining
 * work a little longer: the figure stays where it was until the remaining work is below it, and is never less than the
 * step that comes next. Where another cause leads than before the work is another, and so is the figure.
 *
 * The count begins anew after a decision, and where a reading that counted has become void.
 *
 * @param earlier Judgement of the same job before the newest reading; null where there is none.
 * @param now Judgement of the job as it is.
 */
export function withSteadyMinutes(earlier: Judgement | null, now: Judgement): Judgement {
  const told = earlier?.decision.minutes ?? 0;
  const left = now.decision.minutes ?? 0;
  if (earlier === null || told <= 0 || left <= told || isOtherWork(earlier, now)) return now;
  const minutes = Math.min(left, Math.max(told, now.next[0]?.minutes ?? 0));
  return { ...now, decision: { ...now.decision, minutes } };
}

/** Another cause leads, or a reading that counted has become void. */
const isOtherWork = (earlier: Judgement, now: Judgement): boolean =>
  earlier.decision.fault !== now.decision.fault || hasLostReadings(earlier, now);

function hasLostReadings(earlier: Judgement, now: Judgement): boolean {
  const grades = new Map(now.readings.map(({ id, grade }) => [id, grade]));
  return earlier.readings.some(({ id, grade }) => grade !== 'void' && (grades.get(id) ?? 'void') === 'void');
}
