/** Every sentence that is not a thing of the trade’s own: grades, shared void rules, evidence; the rest by stage. */
import type { Reading } from '../../format/case-shape';
import type { ObservationName, StepName, TestName } from '../../format/names';
import { CAUTIONS } from '../../trade/cautions';
import type { CautionName } from '../../trade/cautions';
import { SYMPTOMS } from '../../trade/symptoms';
import type { SymptomName } from '../../trade/symptoms';
import { OBSERVATIONS, TESTS, isObservationName } from '../../trade/tables';
import type { PhraseTable, Said, Voice } from '../phrases';
import { CAPTURED } from './captures';
import { WAYS, listed, lower, spaced, stepName } from './names';
import { notPossibleWords, readingWords } from './readings';
import { DECISIONS, NEXT, VERDICTS } from './decided';

interface Graded {
  readonly test: TestName;
  readonly value: Reading['value'];
  readonly bound: Said;
  readonly amps?: number;
  /** A text in judgements of an earlier version. */
  readonly note?: Said | string;
}
/** A graded value with the current it was read at. */
const graded = ({ test, value, amps }: Graded, voice: Voice): string =>
  readingWords({ test, value }, voice) + (amps === undefined ? '' : ` at ${voice.amps(amps)}`);
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
  'needs-rating': (w: { test: TestName; value: number }, voice: Voice) =>
    `${voice.value(w.test, w.value)}: the battery’s rating and its standard are needed to judge it.`,
  'closed-part': (w: { test: TestName; value: number }, voice: Voice) =>
    `${voice.value(w.test, Math.abs(w.value))} with no current: this piece is not the open one.`,
  specified: (w: { test: TestName; min?: number; max?: number }, voice: Voice) =>
    `${voice.range(w.test, w)} (specified)`,
};

interface Doubted {
  readonly value: number;
  readonly standard: string;
}
const asLabelled = ({ value, standard }: Doubted, voice: Voice): string => `${voice.plain(value, 0)} A (${standard})`;

const VOIDS = {
  'voided-by-hand': (w: { reason: string }) => `Voided: ${w.reason}`,
  'outside-physics': (w: { value: number; min: number; max: number; unit: string; meant?: number }, voice: Voice) =>
    `${w.value} ${w.unit} is outside what this test can show (${w.min} to ${w.max} ${w.unit}).` +
    (w.meant === undefined ? '' : ` Was ${voice.quantity(w.meant, w.unit)} meant?`),
  'below-charge': (w: { charge: number; needed: number }, voice: Voice) =>
    `The battery was ${voice.share(w.charge)} charged; below ${voice.share(w.needed)} a low reading proves nothing. Charge first, then repeat.`,
  'clamp-saturated': (w: { value: number; ceiling: number }, voice: Voice) =>
    `${voice.amps(w.value)} is the ceiling of the clamp (${voice.amps(w.ceiling)}), not the current: use a larger clamp.`,
  'misses-inrush': (w: { method: string }) =>
    `A ${w.method} reading misses the inrush, which is over in milliseconds: it needs a fast peak or a scope.`,
  'drop-without-current': (w: { amps: number; usual: number }, voice: Voice) =>
    `Only ${voice.amps(w.amps)} flowed, less than half of the usual ${voice.amps(w.usual)}: a drop without current says nothing.`,
  'drop-current-unknown': () =>
    'It did not turn and nobody read the amps: a drop near zero says nothing without a current.',
  'part-above-whole': (w: { partTest: TestName; part: number; wholeTest: TestName; whole: number }, voice: Voice) =>
    `A part of the path cannot lose more (${lower(TESTS[w.partTest].name)}: ${voice.smallVolts(w.part)}) than the whole (${lower(TESTS[w.wholeTest].name)}: ${voice.smallVolts(w.whole)}): repeat both under the same current.`,
  'more-than-there-is': (w: { value: number; there: number }, voice: Voice) =>
    `${voice.smallVolts(w.value)} is more than the battery has (${voice.volts(w.there)}).`,
  'label-too-strong': (w: Doubted & { capacityAh: number }, voice: Voice) =>
    `${asLabelled(w, voice)} for ${voice.plain(w.capacityAh, 0)} Ah is more than such a battery has: is this CA (at 0 °C), or another standard? Look at the label again.`,
  'label-too-weak': (w: Doubted & { capacityAh: number }, voice: Voice) =>
    `${asLabelled(w, voice)} for ${voice.plain(w.capacityAh, 0)} Ah is less than such a battery has: which line and which standard? Look at the label again.`,
  'label-against-engine': (w: Doubted & { litres: number }, voice: Voice) =>
    `${asLabelled(w, voice)} does not fit an engine of ${voice.plain(w.litres, 1)} l: which line and which standard? Look at the label again.`,
};

interface DropSaid {
  readonly test: TestName;
  readonly value: number;
  readonly amps?: number;
  readonly allowed: number;
  readonly left?: number;
  readonly usualAmps?: number;
  readonly projected?: number;
}
/** What was read, at what current, against which limit; the projection in brackets. */
const dropRead = ({ test, value, amps, allowed, usualAmps, projected }: DropSaid, voice: Voice): string => {
  const at = amps === undefined ? '' : ` at ${voice.amps(amps)}`;
  const beside =
    projected === undefined || usualAmps === undefined
      ? ''
      : ` (${voice.value(test, projected)} at the usual ${voice.amps(usualAmps)})`;
  return `${voice.value(test, value)} lost in it${at}, where ${voice.value(test, allowed)} is allowed${beside}`;
};

const EVIDENCE = {
  'drop-read': dropRead,
  'drop-left': (w: DropSaid, voice: Voice) =>
    `${dropRead(w, voice)}; ${voice.value(w.test, w.left ?? 0)} of it is left when its measured parts are taken off`,
  'path-open': (w: { value: number }, voice: Voice) =>
    `${voice.volts(w.value)} across the path with no current: it is open`,
  health: (w: { health: number; ways: readonly string[]; battery?: number }, voice: Voice) =>
    `${w.battery === undefined ? '' : `battery ${w.battery}: `}health about ${voice.share(w.health)} of rated, from ${listed(w.ways.map((way) => WAYS[way] ?? way))}`,
  seen: (w: { about: ObservationName; finding: string }) => `${spaced(w.about)}: ${spaced(w.finding)}`,
  complaint: (w: { symptom: SymptomName }) => `complaint: ${SYMPTOMS[w.symptom].name.toLowerCase()}`,
  age: (w: { years: number }, voice: Voice) => `the battery is ${voice.plain(w.years, 1)} years old`,
  'did-not-crank': () => 'it did not crank',
  'diode-as-it-should': (w: { reading: Reading }, voice: Voice) =>
    `diode check ${readingWords(w.reading, voice)}, as it should be`,
  'diode-not-as-it-should': (w: { reading: Reading }, voice: Voice) =>
    `diode check ${readingWords(w.reading, voice)}, as it should not be`,
  'would-clear-drop': (w: { test: TestName; max: number; isRead: boolean }, voice: Voice) =>
    `a ${lower(TESTS[w.test].name)} under ${voice.value(w.test, w.max)} ${w.isRead ? 'on a second reading ' : ''}would clear it`,
  'would-clear': (w: { test: TestName; bound: Said }, voice: Voice) =>
    `a ${lower(TESTS[w.test].name)} of ${voice.say(w.bound)} would clear it`,
  'would-clear-look': (w: { step: StepName }) => `${lower(stepName(w.step))}: a sound finding would clear it`,
};

const CAUTION = {
  caution: (w: { caution: CautionName }) => CAUTIONS[w.caution],
  'local-rules': () => 'Local rules, the maker’s instructions and licensed practice come first.',
};

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
} satisfies Record<string, PhraseTable>;

/** A step as it stands inside a sentence. */
export const stepInside = (step: StepName): string => {
  const name = stepName(step);
  return isObservationName(step) ? lower(OBSERVATIONS[step].asks) : lower(name);
};
