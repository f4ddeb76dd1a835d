/**
 * The report of a job as data: a page for the customer and a page for the technician. The screen, the
 * print and the PDF show the same document.
 */
import type { Case } from '../format/case-shape';
import type { Reading } from '../format/reading-shape';
import type { Judgement } from '../format/judgement-shape';
import type { StepName } from '../format/names';
import { JUDGED_PARTS } from '../format/words';
import type { Assessment } from '../evidence/assessment';
import { testsToRepeat } from '../judge/compare/repeat-tests';
import { survey } from '../judge/grade/survey';
import type { Survey } from '../judge/grade/survey';
import { fourNoteProfile } from '../profile/four-note-profile';
import { PLAIN_FIGURES } from '../quantities/figure-format';
import { ruledOutCauses } from './ruled-out';
import type { ReportDocument, ReportInput } from './report-shape';
import { settledBy } from './settled';
import { SYMPTOMS } from '../trade/symptoms';
import { PIECES } from '../circuit/paths';
import { OBSERVATIONS, TESTS } from '../trade/tables';
import { VERDICT_WORDS, customerWords, decisionWords, headline } from '../words/en/decisions';
import { batteryLabelWords } from '../words/en/battery-label';
import { capital, lower, spaced } from '../words/en/names';
import { methodWords, readingWords } from '../words/en/readings';
import { englishVoice, retell } from '../words/en/voice';
import type { Voice } from '../format/message';

/** Puts a report together; nothing in it is computed anew but the grades. */
export function reportDocument({ case: subject, judgement, criteria, signOff, figures }: ReportInput): ReportDocument {
  const voice = englishVoice(figures);
  const surveyed = survey(subject, criteria);
  const { assessments } = surveyed;
  const graded = new Map(assessments.map((entry) => [entry.id, entry]));
  const hasAfter = subject.readings.some(({ pass }) => pass === 'after');
  return {
    figures: figures ?? PLAIN_FIGURES,
    complaint: (subject.complaint?.symptoms ?? []).map((name) => SYMPTOMS[name].name).join(', '),
    battery: batteryLabel(subject.system, voice),
    replacedBefore: (subject.complaint?.partsAlreadyReplaced ?? []).join(', '),
    headline: headline(judgement.decision, signOff, voice),
    decision: { words: decisionWords(judgement.decision, voice), because: retell(judgement.decision, voice) },
    plain: signOff?.conclusion ?? customerWords(judgement.decision),
    place: capital((judgement.decision.place ?? []).map((piece) => PIECES[piece].name).join(', ')),
    ruledOut: ruledOutLines(judgement, graded, voice),
    settled: settledBy(judgement, assessments, voice),
    before: fourNoteProfile(
      assessments.filter(({ reading }) => reading.pass !== 'after'),
      subject.system,
    ),
    after: hasAfter
      ? fourNoteProfile(
          assessments.filter(({ reading }) => reading.pass === 'after'),
          subject.system,
        )
      : null,
    comparison: comparisonOf(surveyed, graded, voice),
    signOff,
    notTested: notTested(judgement, voice),
    parts: JUDGED_PARTS.map((part) => {
      const verdict = judgement.parts[part];
      return { part, words: VERDICT_WORDS[verdict.verdict], because: retell(verdict, voice) };
    }),
    observations: (subject.observations ?? []).map(({ about, finding }) => ({
      about: spaced(about),
      finding: spaced(finding),
    })),
    readings: assessments.map(({ id, reading, grade, resolved, because }) => ({
      id,
      test: nameOf(reading),
      value: readingWords(reading, voice),
      grade,
      limit: grade === 'void' ? voice.say(because) : resolved ? voice.say(resolved.bound) : '',
      how: methodWords(reading, voice),
      at: reading.at ?? null,
      isAfter: reading.pass === 'after',
    })),
    criteria: `${criteria.name}, version ${criteria.version}`,
    cautions: judgement.cautions.map((because, i) => retell({ because, ...judgement.cautionCodes?.[i] }, voice)),
  };
}

/** Everything that is known of the battery, in a line. */
const batteryLabel = (system: Case['system'], voice: Voice): string => {
  const { capacityAh, installed } = system.battery;
  return [
    ...batteryLabelWords(system, voice),
    ...(capacityAh === undefined ? [] : [`${voice.asGiven(capacityAh)} Ah`]),
    ...(installed === undefined ? [] : [`fitted ${installed}`]),
  ].join(', ');
};

/** The other causes that are ruled out, each once: “A flat battery: resting voltage 12.62 V”. */
const ruledOutLines = (
  { decision }: Judgement,
  graded: ReadonlyMap<string, Assessment>,
  voice: Voice,
): readonly string[] =>
  ruledOutCauses(decision).map(({ cause, readings, observations }) => {
    const read = readings.flatMap((id) => graded.get(id)?.reading ?? []);
    const by = [
      ...read.map((reading) => `${lower(nameOf(reading))} ${readingWords(reading, voice)}`),
      ...observations.map((about) => lower(OBSERVATIONS[about].name)),
    ];
    return `${capital(cause)}: ${by.join(', ')}`;
  });

/** What the customer should know was not looked at. */
const notTested = ({ parts, decision }: Judgement, voice: Voice): readonly string[] => [
  ...JUDGED_PARTS.filter((part) => parts[part].verdict === 'not-tested').map((part) => `the ${part}`),
  ...(decision.code === 'none-found-but-missing' ? missingOf(decision).map((step) => voice.step(step)) : []),
];
const missingOf = (decision: Judgement['decision']): readonly StepName[] =>
  (decision.with as { readonly missing?: readonly StepName[] }).missing ?? [];

const nameOf = ({ test, conditions }: Reading): string =>
  test === 'charging-voltage' && conditions?.loads === 'on' ? `${TESTS[test].name}, loads on` : TESTS[test].name;

function comparisonOf(
  { gradedCase, before: first }: Survey,
  graded: ReadonlyMap<string, Assessment>,
  voice: Voice,
): ReportDocument['comparison'] {
  if (!first) return [];
  return testsToRepeat(first, gradedCase).map(({ before, after }) => {
    const found = after && graded.get(after.id);
    const bound = (found ?? graded.get(before.id))?.resolved?.bound;
    return {
      test: nameOf(before),
      before: readingWords(before, voice),
      gradeBefore: graded.get(before.id)?.grade ?? null,
      after: after ? readingWords(after, voice) : 'not repeated',
      limit: bound ? voice.say(bound) : '',
      grade: found?.grade ?? null,
    };
  });
}
