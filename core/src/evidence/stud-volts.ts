import { latest } from './case-context';
import type { GradedCase } from './case-context';

/** Missing against the resting voltage (12 V): an open path, and one that is doubtful, V. */
const OPEN_VOLTS = 3;
const DOUBTFUL_VOLTS = 0.3;

/** What the alternator's stud has of the battery's volts with the engine off; null where one of the two was not read. */
export function studVolts(gradedCase: GradedCase): 'none' | 'low' | 'there' | null {
  const reading = latest(gradedCase, 'alternator-stud-voltage');
  const { resting, scale } = gradedCase;
  if (!reading || resting === null) return null;
  const missing = (resting - reading.value) / scale;
  return missing > OPEN_VOLTS ? 'none' : missing > DOUBTFUL_VOLTS ? 'low' : 'there';
}
