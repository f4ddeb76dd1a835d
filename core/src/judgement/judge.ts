import type { Case } from '../case/case-shape';
import { JUDGEMENT_FORMAT } from '../case/judgement-shape';
import type { Decision, GradedReading, Judgement, PartVerdict, RankedFault, StepName } from '../case/judgement-shape';
import { JUDGED_PARTS } from '../case/vocabulary';
import type { FaultName, JudgedPart } from '../case/vocabulary';
import { BALANCED } from '../criteria/schools';
import type { CriteriaSet } from '../criteria/criteria-set';
import { assess } from './assess';
import type { Assessment } from './assess';
import { chargingBudget, startingBudget } from './budget';
import { cautionsFor } from './cautions';
import { comparePasses } from './compare-passes';
import { uncoveredTests } from './coverage';
import { decide } from './decide';
import { derive } from './derive';
import { findingsOf } from './findings';
import { PRIOR } from './findings/priors';
import { nextSteps, step } from './next-step';
import { proofOf } from './proof';
import type { Evidence } from './proof';
import { rankFaults } from './rank-faults';
import { WHY_AGAIN, openRepeats, testsToRepeat } from './repeat-tests';
import { situationOf } from './situation';
import type { Situation } from './situation';
import { partVerdict } from './verdict';
import { ratingSlip, whyVoid } from './void-rules';

/** Grades every reading of a case: the void ones with why, the rest against the set. */
export function assessCase(subject: Case, criteria: CriteriaSet = BALANCED): readonly Assessment[] {
  return survey(subject, criteria).assessments;
}

function survey(subject: Case, criteria: CriteriaSet): { situation: Situation; assessments: readonly Assessment[] } {
  const raw = situationOf(subject, criteria);
  const reasons = new Map<string, string>();
  for (const reading of subject.readings) {
    const why =
      reading.void !== undefined ? `Voided: ${reading.void}` : reading.value === null ? null : whyVoid(reading, raw);
    if (why !== null) reasons.set(reading.id, why);
  }
  const situation = reasons.size === 0 ? raw : situationOf(subject, criteria, new Set(reasons.keys()));
  const assessments = subject.readings.map((reading): Assessment => {
    const why = reasons.get(reading.id);
    return why === undefined
      ? assess(reading, situation)
      : { id: reading.id, reading, grade: 'void', limit: '', because: why, resolved: null };
  });
  return { situation, assessments };
}

/**
 * Judges a case by a criteria set: every reading graded, the faults ranked, a verdict for each part,
 * one decision, and the steps that would settle most. Pure: the same case gives the same judgement.
 *
 * @param subject A case that fits `tetrad-case/1`.
 * @param criteria The school to judge by.
 */
export function judge(subject: Case, criteria: CriteriaSet = BALANCED): Judgement {
  const { situation, assessments } = survey(subject, criteria);
  const derived = derive(situation);
  const faults = rankFaults(findingsOf(situation, derived));
  const probability: Record<FaultName, number> = { ...PRIOR }; // every key at once keeps the object fast
  for (const entry of faults) probability[entry.fault] = entry.probability;
  const evidence: Evidence = { situation, derived, probability };
  const uncovered = uncoveredTests(situation);
  const leading = leadingFault(faults, evidence);
  const proposed = once(() => nextSteps({ evidence, leading, uncovered }));
  const decision = decide({ evidence, faults, uncovered, proposed });
  const next = nextFor(decision, proposed, situation);
  const parts = {} as Record<JudgedPart, PartVerdict>;
  for (const part of JUDGED_PARTS) parts[part] = partVerdict(part, { evidence, faults, assessments });
  const slip = ratingSlip(situation);
  const comparison = comparePasses(subject, criteria);
  return {
    format: JUDGEMENT_FORMAT,
    criteria: { id: criteria.id, version: criteria.version },
    readings: assessments.map(({ id, grade, limit, because }): GradedReading => ({ id, grade, limit, because })),
    faults,
    parts,
    decision,
    next,
    derived: derived.published,
    budget: { starting: startingBudget(situation), charging: chargingBudget(situation) },
    cautions: [...(slip ? [slip] : []), ...cautionsFor(situation, next)],
    ...(comparison.length > 0 && { comparison }),
  };
}

/** Works something out when it is first asked for, and once. */
function once<T>(work: () => T): () => T {
  let result: { readonly value: T } | null = null;
  return () => (result ??= { value: work() }).value;
}

/** The most probable fault, with what its proof still lacks. */
function leadingFault(faults: readonly RankedFault[], evidence: Evidence) {
  const first = faults.find(({ fault }) => fault !== 'none' && fault !== 'battery-discharged');
  return first && first.probability > 0.3
    ? { fault: first.fault, probability: first.probability, proof: proofOf(first.fault, evidence) }
    : null;
}

/** A settled case asks for nothing more; charge-first asks for the charge. */
function nextFor(decision: Decision, proposed: () => Judgement['next'], situation: Situation): Judgement['next'] {
  switch (decision.action) {
    case 'charge-first':
      return [
        step(
          'charge' satisfies StepName,
          'Charge the battery fully, take off the surface charge, then read the resting voltage again.',
          situation,
        ),
      ];
    case 'test-next':
      return situation.pass === 'after' ? [...repeats(situation), ...proposed()] : proposed();
    default:
      return [];
  }
}

/** After a repair the same tests come first: what was measured before is measured again. */
const repeats = (situation: Situation): Judgement['next'] =>
  openRepeats(testsToRepeat(situation.case)).map(({ test, loads }) => {
    const again = step(test, WHY_AGAIN, situation);
    return loads ? { ...again, conditions: { ...again.conditions, loads } } : again;
  });
