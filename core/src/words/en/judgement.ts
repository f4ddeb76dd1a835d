/** The judge's answer written out as `tetrad-judgement/1`: every message with its sentence beside it. */
import { BALANCED } from '../../criteria/schools';
import type { CriteriaSet } from '../../criteria/criteria-set';
import type { Assessment } from '../../evidence/assessment';
import type { Case } from '../../format/case-shape';
import { JUDGEMENT_FORMAT } from '../../format/judgement-shape';
import type {
  BatteryVerdict,
  Decision,
  FaultEvidence,
  GradedReading,
  Judgement,
  NextStep,
  PartVerdict,
  RankedFault,
} from '../../format/judgement-shape';
import { storedMessage } from '../../format/message';
import type { Message, StoredMessage } from '../../format/message';
import { JUDGED_PARTS } from '../../format/words';
import type { JudgedPart, Pass } from '../../format/words';
import type { ComparedTest } from '../../judge/compare/compare-passes';
import type { OwnVerdict } from '../../judge/decide/batteries';
import type { RuledOut } from '../../judge/decide/ruled-out';
import type { Verdicted } from '../../judge/decide/verdict';
import type { Change } from '../../judge/decide/would-change';
import type { Survey } from '../../judge/grade/survey';
import { judgeCase, judgeSurveyed } from '../../judge/judge';
import type { JudgedCase } from '../../judge/judge';
import { repeatsAsked } from '../../judge/next/after-decision';
import { NESTING, message } from '../../judge/messages';
import type { Step } from '../../judge/propose/propose-steps';
import type { Ranked } from '../../judge/rank/rank-faults';
import { ENGLISH } from './voice';

/** Judges a case. @param subject A case that fits `tetrad-case/1`. @param criteria The school to judge by. */
export const judge = (subject: Case, criteria: CriteriaSet = BALANCED): Judgement =>
  judgementDocument(judgeCase(subject, criteria));

/** Judges a case that is surveyed already. */
export const judgeSurvey = (surveyed: Survey): Judgement => judgementDocument(judgeSurveyed(surveyed));

/**
 * What is to be done next in a pass: after a repair what was measured before is measured again, then what the judge
 * asks for.
 *
 * @param judgement Of the same case.
 * @returns null where nothing is left to do.
 */
export function nextStep(surveyed: Survey, judgement: Judgement, pass: Pass): NextStep | null {
  const [again] = pass === 'after' ? repeatsAsked(surveyed) : [];
  return again ? stepOf(again) : (judgement.next[0] ?? null);
}

/** A message as the document holds it; most hold no other, and need no search. */
const stored = (message: Message): StoredMessage =>
  message.code in NESTING ? storedMessage(message) : { code: message.code, with: message.params };

// The answer is written out field by field: it is large, and spreading objects of many shapes is slow.

function judgementDocument(judged: JudgedCase): Judgement {
  const { survey, comparison, batteries, cautions } = judged;
  const { id, version } = survey.gradedCase.criteria;
  const parts = {} as Record<JudgedPart, PartVerdict>;
  for (const part of JUDGED_PARTS) parts[part] = partOf(judged.parts[part]);
  return {
    format: JUDGEMENT_FORMAT,
    criteria: { id, version },
    readings: survey.assessments.map(readingOf),
    faults: judged.faults.map((fault, place) => faultOf(fault, place === 0 ? judged.changes : NO_CHANGES)),
    parts,
    decision: decisionOf(judged),
    next: judged.next.map(stepOf),
    derived: judged.derived,
    budget: judged.budget,
    cautions: cautions.map((message) => ENGLISH.say(message)),
    cautionCodes: cautions.map(stored),
    ...(comparison.length > 0 && { comparison: comparison.map(comparedOf) }),
    ...(batteries.length > 0 && { batteries: batteries.map(batteryOf) }),
  };
}

function readingOf({ id, grade, because, resolved }: Assessment): GradedReading {
  const sent = stored(because);
  return {
    id,
    grade,
    limit: resolved ? ENGLISH.say(resolved.bound) : '',
    because: ENGLISH.say(because),
    code: sent.code,
    with: sent.with,
  };
}

const NO_CHANGES: readonly Change[] = [];

function faultOf({ fault, probability, lines }: Ranked, changes: readonly Change[]): RankedFault {
  const evidence = lines.map(lineOf);
  if (changes.length === 0) return { fault, probability, evidence };
  return {
    fault,
    probability,
    evidence,
    wouldChange: changes.map(({ test, says }) => ({ test, says: ENGLISH.say(says), ...stored(says) })),
  };
}

function lineOf({ finding: { source, says: message }, weight }: Ranked['lines'][number]): FaultEvidence {
  const says = ENGLISH.say(message);
  const { code, with: params } = stored(message);
  if ('reading' in source) return { reading: source.reading, weight, says, code, with: params };
  return 'observation' in source
    ? { observation: source.observation, weight, says, code, with: params }
    : { symptom: source.symptom, weight, says, code, with: params };
}

function partOf({ verdict, because, missing, again, where }: Verdicted): PartVerdict {
  const sent = stored(because);
  const made = { verdict, because: ENGLISH.say(because), missing, code: sent.code, with: sent.with };
  if (again === undefined && where === undefined) return made;
  return { ...made, ...(again && { again }), ...(where && { where }) };
}

function decisionOf({ decided, left }: JudgedCase): Decision {
  const { action, part, fault, because, batteries, deciding, before, after, balance } = decided;
  const sent = stored(because);
  return {
    action,
    part,
    fault,
    ...(batteries && { batteries }),
    because: ENGLISH.say(because),
    minutes: left.minutes,
    ...(left.plan.length > 0 && { plan: left.plan.map(({ engine, steps }) => ({ engine, steps: steps.length })) }),
    code: sent.code,
    with: sent.with,
    ...(decided.place && { place: decided.place }),
    ...(deciding && { deciding: deciding.id }),
    ...(decided.ruledOut && { ruledOut: decided.ruledOut.map(ruledOutOf) }),
    ...(before && after && { before: before.id, after: after.id }),
    ...(balance && { balance: { because: ENGLISH.say(balance), ...stored(balance) } }),
  };
}

function ruledOutOf({ cause, readings, observations }: RuledOut): NonNullable<Decision['ruledOut']>[number] {
  const says = message('ruled-out', { cause });
  return {
    cause: ENGLISH.say(says),
    readings,
    ...(observations.length > 0 && { observations }),
    ...stored(says),
  };
}

function stepOf({ test, because, minutes, conditions, battery, optional }: Step): NextStep {
  const sent = stored(because);
  const step = {
    test,
    because: ENGLISH.say(because),
    minutes,
    conditions,
    code: sent.code,
    with: sent.with,
  } as NextStep;
  return { ...step, ...(battery !== undefined && { battery }), ...(optional && { optional }) };
}

const comparedOf = ({
  test,
  before,
  after,
  bound,
  solved,
}: ComparedTest): NonNullable<Judgement['comparison']>[number] => ({
  test,
  before,
  after,
  limit: bound ? ENGLISH.say(bound) : '',
  solved,
});

const batteryOf = ({ because, ...verdict }: OwnVerdict): BatteryVerdict => ({
  ...verdict,
  because: ENGLISH.say(because),
  ...stored(because),
});
