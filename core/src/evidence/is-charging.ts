import { latestUnder } from './case-context';
import type { GradedCase } from './case-context';

/** True where a charging voltage lies within its limits: the alternator is driven, told to charge, and reaches the battery. */
export const isCharging = (gradedCase: GradedCase): boolean =>
  (['off', 'on'] as const).some((loads) => {
    const reading = latestUnder(gradedCase, 'charging-voltage', loads);
    return reading !== undefined && gradedCase.grades.get(reading.id)?.grade === 'within';
  });
