/**
 * The report of a job as data: a page for the customer and a page for the technician. The screen, the
 * print and the PDF show the same document.
 */
import type { Case, Reading } from '../case/case-shape';
import type { Judgement } from '../case/judgement-shape';
import { JUDGED_PARTS, SYMPTOMS, TESTS } from '../case/vocabulary';
import type { Grade } from '../case/vocabulary';
import type { CriteriaSet } from '../criteria/criteria-set';
import { showValue } from '../judgement/assess';
import { assessCase } from '../judgement/judge';
import { testsToRepeat } from '../judgement/repeat-tests';
import { fourNoteProfile } from '../profile/four-note-profile';
import type { Profile } from '../profile/four-note-profile';
import { customerWords } from './customer-words';
import { VERDICT_WORDS, decisionTone, decisionWords } from './decision-words';
import { methodWords } from './method-words';

/** How the job was signed off, as the report needs it. */
export interface ReportSignOff {
  readonly by: string;
  readonly at: string;
  readonly words: string;
  /** Set where the decision taken is another than the judge's. */
  readonly differs: { readonly judged: string; readonly reason: string } | null;
  readonly conclusion: string;
  readonly partsFitted: readonly string[];
  readonly comment: string | null;
  readonly solved: boolean | null;
}

export interface ReportInput {
  readonly case: Case;
  readonly judgement: Judgement;
  readonly criteria: CriteriaSet;
  readonly signOff: ReportSignOff | null;
}

export interface ReportReading {
  readonly id: string;
  readonly test: string;
  readonly value: string;
  readonly grade: Grade;
  /** The limit, or why it is void. */
  readonly limit: string;
  readonly how: string;
  readonly at: string | null;
  readonly isAfter: boolean;
}

export interface ReportDocument {
  readonly complaint: string;
  readonly replacedBefore: string;
  readonly decision: { readonly words: string; readonly tone: 'act' | 'open' | 'good'; readonly because: string };
  /** The finding in plain words: the technician's conclusion where there is one. */
  readonly plain: string;
  readonly before: Profile;
  readonly after: Profile | null;
  readonly comparison: readonly {
    readonly test: string;
    readonly before: string;
    readonly after: string;
    readonly limit: string;
    readonly grade: Grade | null;
  }[];
  readonly signOff: ReportSignOff | null;
  readonly parts: readonly { readonly part: string; readonly words: string; readonly because: string }[];
  readonly observations: readonly { readonly about: string; readonly finding: string }[];
  readonly readings: readonly ReportReading[];
  readonly criteria: string;
  readonly cautions: readonly string[];
}

/** Puts a report together; nothing in it is computed anew but the grades. */
export function reportDocument({ case: subject, judgement, criteria, signOff }: ReportInput): ReportDocument {
  const assessments = assessCase(subject, criteria);
  const graded = new Map(assessments.map((entry) => [entry.id, entry]));
  const first: Case = { ...subject, readings: subject.readings.filter(({ pass }) => pass !== 'after') };
  const hasAfter = subject.readings.some(({ pass }) => pass === 'after');
  const nominal = subject.system.nominalVolts;
  return {
    complaint: (subject.complaint?.symptoms ?? []).map((name) => SYMPTOMS[name]).join(', '),
    replacedBefore: (subject.complaint?.partsAlreadyReplaced ?? []).join(', '),
    decision: {
      words: decisionWords(judgement.decision),
      tone: signOff ? (signOff.solved ? 'good' : 'act') : decisionTone(judgement.decision),
      because: judgement.decision.because,
    },
    plain: signOff?.conclusion ?? customerWords(judgement.decision),
    before: fourNoteProfile(assessCase(first, criteria), nominal),
    after: hasAfter
      ? fourNoteProfile(
          assessments.filter(({ reading }) => reading.pass === 'after'),
          nominal,
        )
      : null,
    comparison: hasAfter ? comparisonOf(subject, graded) : [],
    signOff,
    parts: JUDGED_PARTS.map((part) => {
      const { verdict, because } = judgement.parts[part];
      return { part, words: VERDICT_WORDS[verdict], because };
    }),
    observations: (subject.observations ?? []).map(({ about, finding }) => ({
      about: about.replaceAll('-', ' '),
      finding: finding.replaceAll('-', ' '),
    })),
    readings: assessments.map(({ id, reading, grade, limit, because }) => ({
      id,
      test: nameOf(reading),
      value: showValue(reading),
      grade,
      limit: grade === 'void' ? because : limit,
      how: methodWords(reading),
      at: reading.at ?? null,
      isAfter: reading.pass === 'after',
    })),
    criteria: `${criteria.name}, version ${criteria.version}`,
    cautions: judgement.cautions,
  };
}

const nameOf = ({ test, conditions }: Reading): string =>
  test === 'charging-voltage' && conditions?.loads === 'on' ? `${TESTS[test].name}, loads on` : TESTS[test].name;

function comparisonOf(
  subject: Case,
  graded: ReadonlyMap<string, { readonly grade: Grade; readonly limit: string }>,
): ReportDocument['comparison'] {
  return testsToRepeat(subject).map(({ before, after }) => {
    const found = after && graded.get(after.id);
    return {
      test: nameOf(before),
      before: showValue(before),
      after: after ? showValue(after) : 'not repeated',
      limit: (found ?? graded.get(before.id))?.limit ?? '',
      grade: found?.grade ?? null,
    };
  });
}
