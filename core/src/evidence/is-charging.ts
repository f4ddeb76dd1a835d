import { latestUnder } from './case-context';
import type { GradedCase } from './case-context';

/** How a terminal of an alternator that holds its volts is told: it is excited, whatever was read there. */
export const CHARGES_ANYWAY = 'charges-anyway';

/** So far above the resting voltage (12 V) something charges, whatever is lost on the way, V. */
export const CHARGES_FROM_VOLTS = 0.3;

/**
 * True where a charging voltage lies within its limits or well above the resting voltage: the alternator is driven, told to
 * charge, and reaches the battery.
 */
export const isCharging = (gradedCase: GradedCase): boolean =>
  (['off', 'on'] as const).some((loads) => {
    const reading = latestUnder(gradedCase, 'charging-voltage', loads);
    if (reading === undefined) return false;
    const { resting, scale, grades } = gradedCase;
    const isAbove = resting !== null && reading.value > resting + CHARGES_FROM_VOLTS * scale;
    return isAbove || grades.get(reading.id)?.grade === 'within';
  });
