/** A case surveyed: its newest pass, the one before a repair, and how every reading stands. */
import { BALANCED } from '../../criteria/schools';
import type { CriteriaSet } from '../../criteria/criteria-set';
import type { Assessment } from '../../evidence/assessment';
import type { GradedCase } from '../../evidence/case-context';
import type { Case } from '../../format/case-shape';
import type { Reading } from '../../format/reading-shape';
import type { Message } from '../../format/message';
import { asCounted } from '../context/as-counted';
import { passOf, vehicleFacts } from '../context/vehicle-facts';
import { message } from '../messages';
import { voidReadings } from '../void/void-readings';
import { gradeCase } from './grade';

export interface Survey {
  /** The newest pass. */
  readonly gradedCase: GradedCase;
  /** The first pass, where there is a second. */
  readonly before: GradedCase | null;
  /** Every reading of the case in its order, void ones with why. */
  readonly assessments: readonly Assessment[];
}

/**
 * Finds what may be judged of a case and how every reading stands.
 *
 * @param given A case that fits `tetrad-case/1`.
 * @param criteria The school to see it by.
 */
export function survey(given: Case, criteria: CriteriaSet = BALANCED): Survey {
  const subject = asCounted(given);
  const pass = passOf(subject);
  const valid = voidReadings(vehicleFacts(subject, criteria, pass));
  const validBefore = pass === 'after' ? voidReadings(vehicleFacts(subject, criteria, 'before')) : null;
  const gradedCase = gradeCase(valid.context);
  const before = validBefore && gradeCase(validBefore.context);
  const assessments = subject.readings.map((reading): Assessment => {
    if (reading.void !== undefined) return voided(reading, message('voided-by-hand', { reason: reading.void }));
    const why = valid.voids.get(reading.id) ?? validBefore?.voids.get(reading.id);
    return why ? voided(reading, why) : (gradedCase.grades.get(reading.id) ?? before?.grades.get(reading.id))!;
  });
  return { gradedCase, before, assessments };
}

/** Grades every reading of a case: the void ones with why, the rest against the set. */
export const assessCase = (subject: Case, criteria: CriteriaSet = BALANCED): readonly Assessment[] =>
  survey(subject, criteria).assessments;

const voided = (reading: Reading, because: Message): Assessment => ({
  id: reading.id,
  reading,
  grade: 'void',
  because,
  resolved: null,
});
