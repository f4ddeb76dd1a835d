import type { Judgement } from '../../format/judgement-shape';

/**
 * The judgement with minutes to a decision that do not grow as work is done. A new finding can make the remaining work
 * longer, but the figure told at first is the work of a whole visit and mostly holds that already: it stays where it was
 * until the remaining work is below it. It never falls below the step that comes next.
 *
 * The count begins anew after a decision, and where a reading that counted has become void.
 *
 * @param earlier Judgement of the same job before the newest reading; null where there is none.
 * @param now Judgement of the job as it is.
 */
export function withSteadyMinutes(earlier: Judgement | null, now: Judgement): Judgement {
  const told = earlier?.decision.minutes ?? 0;
  const left = now.decision.minutes ?? 0;
  if (earlier === null || told <= 0 || left <= told || hasLostReadings(earlier, now)) return now;
  const minutes = Math.min(left, Math.max(told, now.next[0]?.minutes ?? 0));
  return { ...now, decision: { ...now.decision, minutes } };
}

function hasLostReadings(earlier: Judgement, now: Judgement): boolean {
  const grades = new Map(now.readings.map(({ id, grade }) => [id, grade]));
  return earlier.readings.some(({ id, grade }) => grade !== 'void' && (grades.get(id) ?? 'void') === 'void');
}
