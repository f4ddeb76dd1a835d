/** Every sentence that is not a thing of the trade’s own: grades, shared void rules, evidence; the rest by stage. */
import type { Reading } from '../../format/reading-shape';
import type { ObservationName, StepName, TestName } from '../../format/names';
import { CAUTIONS } from '../../evidence/cautions';
import type { CautionName } from '../../evidence/cautions';
import { SYMPTOMS } from '../../trade/symptoms';
import type { SymptomName } from '../../trade/symptoms';
import { OBSERVATIONS, TESTS, isObservationName } from '../../trade/tables';
import type { Message, PhraseTable, PhrasesFor, Voice } from '../../format/message';
import type { CautionMessages, FindingMessages, GradeMessages, VoidMessages } from '../../judge/messages';
import { CAPTURED } from './captures';
import { WAYS, listed, lower, spaced, stepName } from './names';
import { notPossibleWords, readingWords } from './readings';
import { DECISIONS, NEXT, VERDICTS } from './decided';
import { LABELS, SHARED } from './shared-rules';

/** From here on a reading is far outside: how many times its limit says nothing more. */
const MANY_TIMES = 20;

interface Graded {
  readonly test: TestName;
  readonly value: Reading['value'];
  readonly bound: Message;
  readonly amps?: number;
  /** What a scan tool showed, where the value is brought to the post. */
  readonly module?: number;
  /** A text in judgements of an earlier version. */
  readonly note?: Message | string;
}
/** A graded value with the current it was read at. */
const graded = ({ test, value, amps, module }: Graded, voice: Voice): string =>
  readingWords({ test, value }, voice) +
  (amps === undefined ? '' : ` at ${voice.amps(amps)}`) +
  (module === undefined ? '' : ` at the post (${voice.volts(module)} at the module, a slow reading)`);
const noted = ({ note }: Graded, voice: Voice): string => {
  if (note === undefined || note === '') return '';
  return ` ${typeof note === 'string' ? note : voice.say(note)}`;
};

const GRADES = {
  'within-limit': (w: Graded, voice: Voice) => `${graded(w, voice)} is within its limit, ${voice.say(w.bound)}.`,
  'too-close': (w: Graded, voice: Voice) =>
    `${graded(w, voice)} is nearer to its limit (${voice.say(w.bound)}) than its uncertainty: repeat it or use another test.`,
  borderline: (w: Graded, voice: Voice) => `${graded(w, voice)} is borderline: ${voice.say(w.bound)}.`,
  'below-limit': (w: Graded, voice: Voice) =>
    `${graded(w, voice)} is below its limit, ${voice.say(w.bound)}.${noted(w, voice)}`,
  'above-limit': (w: Graded, voice: Voice) =>
    `${graded(w, voice)} is above its limit, ${voice.say(w.bound)}.${noted(w, voice)}`,
  'not-possible': (w: { test: TestName; reason: string }) =>
    `${TESTS[w.test].name}: not possible (${notPossibleWords(w.reason)}).`,
  'no-limit': (w: { reading: Reading }, voice: Voice) =>
    `${readingWords(w.reading, voice)}, noted: no limit of this set applies.`,
} satisfies PhrasesFor<GradeMessages>;

const VOIDS = {
  'voided-by-hand': (w: { reason: string }) => `Voided: ${w.reason}`,
  'outside-physics': (
    w: { test: TestName; value: number; min: number; max: number; unit: string; meant?: number },
    voice: Voice,
  ) =>
    `${w.value} ${w.unit} is outside what this test can show (${w.min} to ${w.max} ${w.unit}).` +
    (w.meant === undefined ? '' : ` Was ${voice.value(w.test, w.meant)} meant?`),
} satisfies PhrasesFor<VoidMessages>;

interface DropSaid {
  readonly test: TestName;
  readonly value: number;
  readonly amps?: number;
  readonly allowed: number;
  readonly left?: number;
}
/** What was read, at what current, against which limit at that current. */
const dropRead = ({ test, value, amps, allowed }: DropSaid, voice: Voice): string =>
  `${voice.value(test, value)} lost${amps === undefined ? '' : ` at ${voice.amps(amps)}`}; limit ${voice.value(test, allowed)}`;

const EVIDENCE = {
  'drop-read': dropRead,
  'drop-left': (w: DropSaid, voice: Voice) =>
    `${dropRead(w, voice)}; ${voice.value(w.test, w.left ?? 0)} remain after subtracting its measured parts`,
  'path-open': (w: { value: number }, voice: Voice) =>
    `${voice.volts(w.value)} across the path with no current: it is open`,
  health: (w: { health: number; ways: readonly string[]; battery?: number }, voice: Voice) =>
    `${w.battery === undefined ? '' : `battery ${w.battery}: `}health about ${voice.share(w.health)} of rated, from ${listed(w.ways.map((way) => WAYS[way] ?? way))}`,
  seen: (w: { about: ObservationName; finding: string }) => `${spaced(w.about)}: ${spaced(w.finding)}`,
  complaint: (w: { symptom: SymptomName }) => `complaint: ${SYMPTOMS[w.symptom].name.toLowerCase()}`,
  age: (w: { years: number }, voice: Voice) => `the battery is ${voice.plain(w.years, 1)} years old`,
  'read-twice': (w: { reading: Reading }, voice: Voice) => `${readingWords(w.reading, voice)}, outside its limit twice`,
  'well-outside': (w: { reading: Reading; times: number }, voice: Voice) =>
    `${readingWords(w.reading, voice)}, read straight across it, ${w.times < MANY_TIMES ? `is ${voice.plain(w.times, 1)} times its limit` : 'is far outside its limit'}`,
  'did-not-crank': () => 'it did not crank',
  'path-not-open': (w: { tests: readonly TestName[] }) =>
    `next to nothing in ${listed(w.tests.map((test) => lower(TESTS[test].name)))} with the key at start: it is not open`,
  'starter-open': () => 'told to crank, nothing flows, and neither path is open',
  'would-clear-drop': (w: { test: TestName; max: number; isRead: boolean; isNamed: boolean }, voice: Voice) =>
    `${named(w)}a ${w.isRead ? 'repeat ' : ''}reading under ${voice.value(w.test, w.max)} would clear it`,
  'would-clear': (w: { test: TestName; bound: Message; isNamed: boolean }, voice: Voice) =>
    `${named({ ...w, isRead: true })}a repeat reading of ${voice.say(w.bound)} would clear it`,
  'would-clear-look': (w: { step: StepName }) => `${lower(stepName(w.step))}: a sound finding would clear it`,
} satisfies PhrasesFor<FindingMessages>;

/** What is repeated is the reading that stands there, unless there are several. */
const named = ({ test, isNamed, isRead }: { test: TestName; isNamed: boolean; isRead: boolean }): string =>
  isNamed || !isRead ? `${lower(TESTS[test].name)}: ` : '';

const CAUTION = {
  caution: (w: { caution: CautionName }) => CAUTIONS[w.caution],
  'charging-not-read': () =>
    'The charging side was not tested. Measure the charging voltage before the new battery is fitted, or right after: a wrong one ruins it.',
  'local-rules': () => 'Local rules, the maker’s instructions and licensed practice come first.',
} satisfies PhrasesFor<CautionMessages>;

/** Sentences by stage, as the documentation lists them. */
export const SENTENCES = {
  grades: GRADES,
  voids: VOIDS,
  evidence: EVIDENCE,
  decisions: DECISIONS,
  verdicts: VERDICTS,
  next: NEXT,
  cautions: CAUTION,
  captured: CAPTURED,
  shared: SHARED,
  labels: LABELS,
} satisfies Record<string, PhraseTable>;

/** A step as it stands inside a sentence. */
export const stepInside = (step: StepName): string => {
  const name = stepName(step);
  return isObservationName(step) ? lower(OBSERVATIONS[step].asks) : lower(name);
};
