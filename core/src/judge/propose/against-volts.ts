import { latest } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import type { Reading } from '../../format/reading-shape';
import { canRead } from './is-open';

/**
 * Resting volts and the gravity that contradicts them, of the same battery, each while it may be read once more: one of
 * the two is wrong, and everything later depends on the volts.
 */
export function againstVolts(gradedCase: GradedCase): readonly Reading[] {
  return gradedCase.voided.againstVolts
    .flatMap((gravity) => [latest(gradedCase, 'resting-voltage', gravity.battery), gravity])
    .filter((reading) => reading !== undefined)
    .filter(({ test }) => canRead(test, gradedCase));
}
