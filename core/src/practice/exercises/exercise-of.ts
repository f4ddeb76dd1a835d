import type { FaultName } from '../../format/names';
import type { Exercise } from '../exercise';
import type { Setting } from '../setting';

/** One exercise. @param setting Absent for an ordinary visit. */
export const exercise = (
  id: string,
  fault: FaultName | readonly FaultName[],
  [severity, seed]: readonly [number, number],
  [title, story, lesson]: readonly [string, string, string],
  setting?: Setting,
): Exercise => ({
  id,
  title,
  story,
  lesson,
  faults: Array.isArray(fault) ? fault : [fault as FaultName],
  severity,
  seed,
  ...(setting && { setting }),
});
