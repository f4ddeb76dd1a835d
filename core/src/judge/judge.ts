/**
 * The judge: a pipeline. Context → void → grade → derive → weigh → rank → prove → propose → decide → next; each stage
 * gets what the ones before made and hands on a new value. Pure: the same case gives the same answer. It says
 * everything in messages (codes with figures); `words/en` writes them out.
 */
import type { CriteriaSet } from '../criteria/criteria-set';
import { BALANCED } from '../criteria/schools';
import { isPathTest } from '../circuit/paths';
import type { DerivedCase } from '../evidence/derived-case';
import type { Case } from '../format/case-shape';
import type { BudgetPiece, Derived } from '../format/judgement-shape';
import type { Message } from '../format/message';
import { JUDGED_PARTS } from '../format/words';
import type { JudgedPart } from '../format/words';
import { comparePasses } from './compare/compare-passes';
import type { ComparedTest } from './compare/compare-passes';
import { batteryVerdicts } from './decide/batteries';
import type { OwnVerdict } from './decide/batteries';
import type { Choice } from './decide/choose';
import { decide, isUndecided } from './decide/decide';
import type { Decided } from './decide/decide';
import { firstPass } from './decide/repaired';
import { partVerdict, suspectsByPart } from './decide/verdict';
import type { Verdicted } from './decide/verdict';
import { wouldChange } from './decide/would-change';
import type { Change } from './decide/would-change';
import { chargingBudget, startingBudget } from './derive/budget';
import { survey } from './grade/survey';
import type { Survey } from './grade/survey';
import { inOneVoice } from './next/one-voice';
import { nextFor } from './next/after-decision';
import { cautionsFor } from './next/cautions';
import { workLeft } from './next/work-left';
import type { Left } from './next/work-left';
import { once } from './once';
import { proposeSteps } from './propose/propose-steps';
import type { Step } from './propose/propose-steps';
import type { ProvenCase } from './prove/prove';
import { isCallable } from './rank/part-of';
import type { Ranked } from './rank/rank-faults';
import { weighPass } from './weigh-pass';
import type { WeighedPass } from './weigh-pass';

/** Faults from this probability on are told what would change them. */
const TOLD_FROM = 0.3;

const NOTHING_LEFT: Left = { plan: [], minutes: 0 };

/** What the judge makes of a case. */
export interface JudgedCase {
  readonly survey: Survey;
  /** Every fault, the most probable first. */
  readonly faults: readonly Ranked[];
  /** What would clear the most probable. */
  readonly changes: readonly Change[];
  readonly parts: Readonly<Record<JudgedPart, Verdicted>>;
  readonly decided: Decided;
  /** What is left until a decision; nothing once it stands. */
  readonly left: Left;
  readonly next: readonly Step[];
  readonly derived: Derived;
  readonly budget: { readonly starting: readonly BudgetPiece[]; readonly charging: readonly BudgetPiece[] };
  readonly cautions: readonly Message[];
  /** The same tests before and after a repair; empty where there is one pass. */
  readonly comparison: readonly ComparedTest[];
  /** Of a pack: every battery that was read on its own. */
  readonly batteries: readonly OwnVerdict[];
}

/**
 * Judges a case by a criteria set: every reading graded, the faults ranked, a verdict for each part,
 * one decision, and the steps that would settle most.
 *
 * @param subject A case that fits `tetrad-case/1`.
 * @param criteria The school to judge by.
 */
export const judgeCase = (subject: Case, criteria: CriteriaSet = BALANCED): JudgedCase =>
  judgeSurveyed(survey(subject, criteria));

/** A decision, and what it is taken from. */
interface DecidedPass extends WeighedPass {
  /** Steps that are worth their minutes, none of them a repeat. */
  readonly worthwhile: Choice['worthwhile'];
  /** The steps that would tell more, worked out where they are asked for. */
  readonly proposed: () => readonly Step[];
  readonly decided: Decided;
}

/** The pipeline as far as the decision. */
function decidePass({ gradedCase, before }: Survey): DecidedPass {
  const pass = weighPass(gradedCase);
  const { provenCase, uncovered, leading, choice } = pass;
  const worthwhile = choice.worthwhile.filter(({ again }) => again === null);
  const proposed = once(() => proposeSteps({ provenCase, leading, uncovered, worthwhile }));
  const decided = decide({ ...pass, proposed, first: before && firstPass(weighPass(before)) });
  return { ...pass, worthwhile, proposed, decided };
}

/** The decision alone with the grades: for thousands of past jobs of which nobody reads the rest. */
export function decideCase(subject: Case, criteria: CriteriaSet): Pick<JudgedCase, 'survey' | 'decided'> {
  const surveyed = survey(subject, criteria);
  return { survey: surveyed, decided: decidePass(surveyed).decided };
}

/** Judges a case that is surveyed already. */
export function judgeSurveyed(surveyed: Survey): JudgedCase {
  const { gradedCase } = surveyed;
  const passed = decidePass(surveyed);
  const { derived, failing, ranked, provenCase, uncovered, leading, choice, worthwhile, proposed } = passed;
  const next = nextFor({ decided: passed.decided, choice, proposed, surveyed, provenCase, failing, uncovered });
  const decided = inOneVoice(passed.decided, next, provenCase);
  const suspects = suspectsByPart(ranked, gradedCase);
  const called = decided.action === 'replace' || decided.action === 'repair' ? decided.fault : null;
  const narrowing = worthwhile.map(({ step }) => step).filter(isPathTest);
  const parts = {} as Record<JudgedPart, Verdicted>;
  for (const part of JUDGED_PARTS)
    parts[part] = partVerdict(part, {
      provenCase,
      decided: called,
      mendedBy: decided.action === 'repaired' && decided.part === part ? decided.after! : null,
      suspects: suspects.get(part) ?? [],
      failing,
      narrowing,
    });
  return {
    survey: surveyed,
    faults: ranked,
    changes: changesOf(ranked[0]!, provenCase, decided),
    parts,
    decided,
    left:
      isUndecided(decided) && next.length > 0
        ? workLeft(gradedCase, { leading, provenCase, uncovered, next })
        : NOTHING_LEFT,
    next,
    derived: derived.figures.published,
    budget: { starting: startingBudget(derived), charging: chargingBudget(derived) },
    cautions: cautionsFor(gradedCase, next, decided),
    comparison: comparePasses(surveyed),
    batteries: batteriesOf(derived, parts.battery, decided),
  };
}

const changesOf = ({ fault, probability }: Ranked, provenCase: ProvenCase, { deciding }: Decided): readonly Change[] =>
  probability < TOLD_FROM || !isCallable(fault) ? [] : wouldChange(fault, provenCase, deciding);

function batteriesOf(derived: DerivedCase, { verdict }: Verdicted, decided: Decided): readonly OwnVerdict[] {
  const { units } = derived.gradedCase;
  if (units.length === 0) return [];
  const isCondemned = decided.part === 'battery' && decided.action === 'replace';
  return batteryVerdicts(derived, { verdict, batteries: isCondemned ? (decided.batteries ?? units) : [] });
}
