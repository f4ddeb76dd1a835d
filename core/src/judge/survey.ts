/**
 * Second and third stage: what is void and why, and a grade for everything else. A situation can be had from
 * here alone.
 */
import type { Case, Reading } from '../format/case-shape';
import type { Pass } from '../format/words';
import { BALANCED } from '../criteria/schools';
import type { CriteriaSet } from '../criteria/criteria-set';
import { OBSERVATIONS, OBSERVATION_NAMES, TESTS } from '../trade/tables';
import type { Said } from '../words/phrases';
import type { Assessment } from './grade/assessment';
import { grade } from './grade/grade';
import { forUnit, passOf, see } from './see';
import { unitVolts } from './situation';
import type { Sight, Situation } from './situation';
import { outsidePhysics } from './void/physics';

/** A case, surveyed: what may be judged, and how every reading stands. */
export interface Survey {
  /** The newest pass. */
  readonly situation: Situation;
  /** The first pass, where there is a second. */
  readonly before: Situation | null;
  /** Every reading of the case in its order, void ones with why. */
  readonly assessments: readonly Assessment[];
}

const NOBODY: ReadonlySet<string> = new Set();

/**
 * @param subject A case that fits `tetrad-case/1`.
 * @param criteria The school to see it by.
 */
export function survey(subject: Case, criteria: CriteriaSet = BALANCED): Survey {
  const pass = passOf(subject);
  const reasons = new Map<string, Said>();
  const situation = surveyPass(subject, criteria, pass, reasons);
  const before = pass === 'after' ? surveyPass(subject, criteria, 'before', reasons) : null;
  const assessments = subject.readings.map((reading): Assessment => {
    if (reading.void !== undefined) return voided(reading, { code: 'voided-by-hand', with: { reason: reading.void } });
    const why = reasons.get(reading.id);
    return why ? voided(reading, why) : (situation.graded.get(reading.id) ?? before?.graded.get(reading.id))!;
  });
  return { situation, before, assessments };
}

/** Grades every reading of a case: the void ones with why, the rest against the set. */
export const assessCase = (subject: Case, criteria: CriteriaSet = BALANCED): readonly Assessment[] =>
  survey(subject, criteria).assessments;

const voided = (reading: Reading, because: Said): Assessment => ({
  id: reading.id,
  reading,
  grade: 'void',
  because,
  resolved: null,
});

function surveyPass(subject: Case, criteria: CriteriaSet, pass: Pass, reasons: Map<string, Said>): Situation {
  let sight = see(subject, criteria, pass, NOBODY);
  // what physics does not allow is seen by no other rule either
  const own = new Map<string, Said>();
  for (const reading of sight.readings) {
    const why = notPhysical(reading, sight);
    if (why) own.set(reading.id, why);
  }
  const impossible = own.size;
  if (own.size > 0) sight = see(subject, criteria, pass, new Set(own.keys()));
  const doubts = doubtsOf(sight);
  for (const reading of sight.readings) {
    const why = reading.value === null ? null : whyVoid(reading, sight, doubts);
    if (why) own.set(reading.id, why);
  }
  if (own.size > impossible) sight = see(subject, criteria, pass, new Set(own.keys()));
  for (const [id, why] of own) reasons.set(id, why);
  return settle(sight);
}

/** A sight without void readings, every reading graded, becomes a situation. */
function settle(sight: Sight): Situation {
  const graded = new Map<string, Assessment>();
  for (const reading of sight.readings) graded.set(reading.id, grade(reading, sight));
  return Object.assign(sight, { graded }) as unknown as Situation;
}

function notPhysical(reading: Reading, { case: { system } }: Sight): Said | null {
  const nominalVolts = reading.battery === undefined ? system.nominalVolts : unitVolts(system);
  const wrong = outsidePhysics(reading, nominalVolts);
  if (!wrong) return null;
  const { slip, ...figures } = wrong;
  return { code: 'outside-physics', with: { ...figures, ...(slip && { meant: slip.value }) } };
}

type Doubt = (reading: Reading) => Said | null;

/** What was observed of the instruments and makes readings doubtful. */
const doubtsOf = ({ observed }: Sight): readonly Doubt[] =>
  DOUBTING.flatMap((about) => {
    const finding = observed.get(about);
    return finding === undefined ? [] : [(reading: Reading) => OBSERVATIONS[about].doubts!(finding, reading)];
  });

/** Observations that can make readings doubtful. */
const DOUBTING = OBSERVATION_NAMES.filter((about) => OBSERVATIONS[about].doubts !== undefined);

/** Why a reading may not be judged, or null; the first rule that speaks counts. */
function whyVoid(reading: Reading, whole: Sight, doubts: readonly Doubt[]): Said | null {
  for (const doubt of doubts) {
    const why = doubt(reading);
    if (why) return why;
  }
  const sight = forUnit(whole, reading.battery);
  for (const rule of TESTS[reading.test].voids ?? []) {
    const why = rule(reading, sight);
    if (why) return why;
  }
  return null;
}
