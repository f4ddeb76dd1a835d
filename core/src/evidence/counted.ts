/** Which of several readings of a test count: the newest that is not void, of each battery and of the pack as connected. */
import type { Reading } from '../format/reading-shape';
import type { Pass } from '../format/words';
import type { Assessment } from './assessment';
import { isTried } from './case-context';

/** The newest for each battery, in the order they were taken. */
function newestOfEachBattery(assessments: readonly Assessment[]): readonly Assessment[] {
  const newest = new Map<Reading['battery'], Assessment>();
  for (const entry of assessments) {
    newest.delete(entry.reading.battery); // so that it comes last, as it was taken
    newest.set(entry.reading.battery, entry);
  }
  return [...newest.values()];
}

/**
 * What counts of a test's readings in a pass: voided by nobody and void by no rule.
 *
 * @param attempts Readings of one test, the oldest first.
 * @returns One for each battery that was read, the newest last.
 */
export const countedReadings = (attempts: readonly Assessment[], pass: Pass): readonly Assessment[] =>
  newestOfEachBattery(attempts.filter(({ grade, reading }) => grade !== 'void' && (reading.pass ?? 'before') === pass));

/** As `countedReadings`, but with those that a rule voids: they were tried, and are shown as void. */
export const triedReadings = (attempts: readonly Assessment[], pass: Pass): readonly Assessment[] =>
  newestOfEachBattery(attempts.filter(({ reading }) => isTried(reading, pass)));

/**
 * The batteries of a pack that were not read by themselves yet.
 *
 * @param batteries Their numbers, from 1.
 */
export const unreadBatteries = (counted: readonly Assessment[], batteries: readonly number[]): readonly number[] =>
  batteries.filter((battery) => !counted.some(({ reading }) => reading.battery === battery));

/**
 * True once nothing more is read of a test: the pack as connected was read, or each of its batteries.
 *
 * @param batteries Numbers, from 1, of those read by themselves; none where there is one battery.
 */
export const isWhollyRead = (counted: readonly Assessment[], batteries: readonly number[]): boolean =>
  counted.length > 0 &&
  (counted.some(({ reading }) => reading.battery === undefined) || unreadBatteries(counted, batteries).length === 0);
