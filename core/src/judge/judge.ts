/**
 * The judge: a pipeline. See → void → grade → derive → weigh → rank → prove → decide → next; each stage reads
 * what the ones before made. Pure: the same case gives the same judgement.
 */
import type { Case } from '../format/case-shape';
import { JUDGEMENT_FORMAT } from '../format/judgement-shape';
import type { BatteryVerdict, Judgement, PartVerdict, RankedFault } from '../format/judgement-shape';
import type { FaultName, StepName } from '../format/names';
import { JUDGED_PARTS } from '../format/words';
import type { JudgedPart } from '../format/words';
import { BALANCED } from '../criteria/schools';
import type { CriteriaSet } from '../criteria/criteria-set';
import { threshold } from '../criteria/evidence';
import { once } from './once';
import { FAULT_NAMES, stepOf } from '../trade/tables';
import { isRead, mustBeRead } from '../trade/must-be-read';
import { ENGLISH } from '../words/en/voice';
import { gradedReading, lineOf, nextStep, verdictOf } from './answer';
import { cautionsFor } from './cautions';
import { comparePasses } from './compare-passes';
import { batteryVerdicts } from './decide/batteries';
import { decide } from './decide/decide';
import type { Decided } from './decide/decide';
import { failuresOf } from './decide/failures';
import { isCallable } from './decide/part-of';
import { partVerdict, suspectsByPart } from './decide/verdict';
import { wouldChange } from './decide/would-change';
import { chargingBudget, startingBudget } from './derive/budget';
import { derive } from './derive/derive';
import { minutesLeft } from './next/minutes-left';
import { nextFor } from './next/after-decision';
import { isOpen } from './next/is-open';
import { nextSteps } from './next/next-step';
import type { Step } from './next/next-step';
import type { Evidence } from './prove/evidence';
import { proofOf } from './prove/prove';
import { rankFaults } from './rank/rank-faults';
import type { Ranked } from './rank/rank-faults';
import type { Situation } from './situation';
import { survey } from './survey';
import type { Survey } from './survey';
import { findingsOf } from './weigh';

/** Faults from this probability on are told what would change them. */
const TOLD_FROM = 0.3;

const NOTHING = Object.fromEntries(FAULT_NAMES.map((fault) => [fault, 0])) as Record<FaultName, number>;

/**
 * Judges a case by a criteria set: every reading graded, the faults ranked, a verdict for each part,
 * one decision, and the steps that would settle most.
 *
 * @param subject A case that fits `tetrad-case/1`.
 * @param criteria The school to judge by.
 */
export const judge = (subject: Case, criteria: CriteriaSet = BALANCED): Judgement =>
  judgeSurvey(survey(subject, criteria));

/** Judges a case that is surveyed already. */
export function judgeSurvey(surveyed: Survey): Judgement {
  const { situation } = surveyed;
  const { criteria } = situation;
  const figures = derive(situation);
  const ranked = rankFaults(findingsOf({ situation, figures }));
  const probability = { ...NOTHING }; // every key at once keeps the object fast
  for (const entry of ranked) probability[entry.fault] = entry.probability;
  const evidence: Evidence = { situation, figures, probability, proofs: new Map() };
  const failing = failuresOf(situation);
  const { uncovered, impossible } = coverage(situation);
  const leading = leadingFault(ranked, evidence);
  const proposed = once(() => nextSteps({ evidence, leading, uncovered }));
  const decided = decide({ evidence, ranked, uncovered, impossible, failing, proposed });
  const next = nextFor({ decided, proposed, surveyed, evidence, failing, uncovered });
  const suspects = suspectsByPart(ranked, situation);
  const calledFault = decided.action === 'replace' || decided.action === 'repair' ? decided.fault : null;
  const parts = {} as Record<JudgedPart, PartVerdict>;
  for (const part of JUDGED_PARTS)
    parts[part] = verdictOf(
      partVerdict(part, { evidence, decided: calledFault, suspects: suspects.get(part) ?? [], failing }),
    );
  const comparison = comparePasses(surveyed);
  const batteries = batteriesOf(evidence, parts.battery, decided);
  const cautions = cautionsFor(situation, next);
  return {
    format: JUDGEMENT_FORMAT,
    criteria: { id: criteria.id, version: criteria.version },
    readings: surveyed.assessments.map(gradedReading),
    faults: ranked.map((entry, place) => faultOf(entry, place === 0, evidence)),
    parts,
    decision: decisionOf(decided, { evidence, leading, uncovered, next }),
    next: next.map(nextStep),
    derived: figures.published,
    budget: { starting: startingBudget(situation), charging: chargingBudget(situation) },
    cautions: cautions.map((said) => ENGLISH.say(said)),
    cautionCodes: cautions,
    ...(comparison.length > 0 && { comparison }),
    ...(batteries.length > 0 && { batteries }),
  };
}

/** What must be read before nothing may be found: what is open, and what could not be done. */
function coverage(situation: Situation): {
  readonly uncovered: readonly StepName[];
  readonly impossible: readonly StepName[];
} {
  const uncovered: StepName[] = [];
  const impossible: StepName[] = [];
  for (const wanted of mustBeRead(situation)) {
    if (isRead(wanted, situation)) continue;
    const open = wanted.anyOf.find((step) => {
      const row = stepOf(step);
      return row !== null && isOpen(step, row, situation);
    });
    if (open) uncovered.push(open);
    else impossible.push(wanted.anyOf[0]!);
  }
  return { uncovered: [...new Set(uncovered)], impossible: [...new Set(impossible)] };
}

interface Leading {
  readonly fault: FaultName;
  readonly probability: number;
  readonly proof: ReturnType<typeof proofOf>;
}

/** The most probable fault, with what its proof still lacks. */
function leadingFault(ranked: readonly Ranked[], evidence: Evidence): Leading | null {
  const first = ranked.find(({ fault }) => isCallable(fault));
  return first && first.probability > threshold('excused')
    ? { fault: first.fault, probability: first.probability, proof: proofOf(first.fault, evidence) }
    : null;
}

function faultOf({ fault, probability, lines }: Ranked, isTop: boolean, evidence: Evidence): RankedFault {
  const told = { fault, probability, evidence: lines.map(lineOf) };
  if (!isTop || probability < TOLD_FROM || !isCallable(fault)) return told;
  const change = wouldChange(fault, evidence).map(({ test, says: said }) => ({
    test,
    says: ENGLISH.say(said),
    code: said.code,
    with: said.with,
  }));
  return change.length > 0 ? { ...told, wouldChange: change } : told;
}

function decisionOf(
  { action, part, fault, because, batteries }: Decided,
  ahead: {
    readonly evidence: Evidence;
    readonly leading: Leading | null;
    readonly uncovered: readonly StepName[];
    readonly next: readonly Step[];
  },
): Judgement['decision'] {
  const isOpenStill = action === 'test-next' || action === 'charge-first';
  return {
    action,
    part,
    fault,
    ...(batteries && { batteries }),
    because: ENGLISH.say(because),
    minutes: isOpenStill ? minutesLeft(ahead) : 0,
    code: because.code,
    with: because.with,
  };
}

function batteriesOf(evidence: Evidence, battery: PartVerdict, decided: Decided): readonly BatteryVerdict[] {
  const { situation, figures } = evidence;
  if (situation.units.length === 0) return [];
  const named =
    decided.part === 'battery' && decided.action === 'replace' ? (decided.batteries ?? situation.units) : [];
  const pack = { verdict: battery.verdict, batteries: named };
  return batteryVerdicts(situation, figures, pack).map(({ because, ...verdict }) => ({
    ...verdict,
    because: ENGLISH.say(because),
    code: because.code,
    with: because.with,
  }));
}
