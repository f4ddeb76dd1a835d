/** A pause longer than this is a wait, not work, min. */
const LONGEST_STEP_MINUTES = 10;
/** What the first reading took before it was there, min. */
const FIRST_MINUTES = 1;

/**
 * Minutes somebody worked, from the times at which something was entered: a charge of four hours between two
 * readings counts as one step.
 *
 * @param times ISO 8601, in any order; what is no time is passed over.
 * @returns minutes; 0 where nothing was entered.
 */
export function minutesOfWork(times: readonly string[]): number {
  const sorted = times
    .map((time) => Date.parse(time) / 60_000)
    .filter(Number.isFinite)
    .sort((a, b) => a - b);
  if (sorted.length === 0) return 0;
  return sorted.reduce(
    (sum, now, i) => (i === 0 ? sum : sum + Math.min(LONGEST_STEP_MINUTES, now - sorted[i - 1]!)),
    FIRST_MINUTES,
  );
}
