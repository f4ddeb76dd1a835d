/** What is decided, of the whole, of each part and battery, and what comes next. */
import type { Reading } from '../../format/case-shape';
import type { FaultName, ObservationName, StepName } from '../../format/names';
import type { JudgedPart } from '../../format/words';
import { EXCUSES } from '../../trade/excuses';
import type { ExcuseName } from '../../trade/excuses';
import { OBSERVATIONS, TESTS, stepOf } from '../../trade/tables';
import type { Message, PhrasesFor, Voice } from '../../format/message';
import type { DecisionMessages, HealthOfWay, NextMessages, PackParams, VerdictMessages } from '../../judge/messages';
import { WAYS, listed, lower, nameOf } from './names';
import { readingWords } from './readings';

const pack = ({ weak, arrangement, count }: PackParams): string =>
  [
    weak.length === 0 ? '' : ` It is battery ${listed(weak)}.`,
    arrangement === 'parallel'
      ? ` Batteries in parallel are replaced together: all ${count}.`
      : ' A pair of the same age is better: an old battery beside a new one is overcharged or left empty.',
  ].join('');

const steps = (names: readonly StepName[], voice: Voice): string => names.map((step) => voice.step(step)).join(', ');
const named = (reading: Reading, voice: Voice): string =>
  `${lower(TESTS[reading.test].name)} ${readingWords(reading, voice)}`;

export const DECISIONS = {
  proven: (w: { fault: FaultName; probability: number; evidence?: Message; pack?: PackParams }, voice: Voice) =>
    `${nameOf(w.fault)}, ${voice.probability(w.probability)} probable${w.evidence ? `: ${voice.say(w.evidence)}` : ''}. Its excuses are tested and excluded.${w.pack ? pack(w.pack) : ''}`,
  'charge-first': (w: { charge: number; needed: number; batteries?: readonly number[] }, voice: Voice) =>
    `${w.batteries?.length ? `Battery ${listed(w.batteries)}` : 'The battery'} is ${voice.share(w.charge)} charged; below ${voice.share(w.needed)} no load or cranking reading can condemn anything. Charge first, then repeat.`,
  'none-found': () =>
    'What must be read for this complaint is read and lies within its limits: nothing in this system needs a part.',
  'none-found-beside': (w: { outside: readonly Reading[] }, voice: Voice) =>
    `What must be read for this complaint is read, and no part is at fault. One reading lies outside its limit and by itself speaks for none: ${w.outside.map((reading) => named(reading, voice)).join(', ')}.`,
  'none-found-but-missing': (w: { missing: readonly StepName[] }, voice: Voice) =>
    `Nothing found in what could be read. Not tested, because it was not possible: ${steps(w.missing, voice)}.`,
  leads: (w: { fault: FaultName; probability: number; excuse?: ExcuseName }, voice: Voice) =>
    `${nameOf(w.fault)} leads with ${voice.probability(w.probability)}${w.excuse ? `, but ${EXCUSES[w.excuse].says}` : ''}.`,
  'outside-unexplained': (w: { reading: Reading }, voice: Voice) =>
    `${TESTS[w.reading.test].name}: ${readingWords(w.reading, voice)} lies outside its limit and nothing else explains it. Read it again.`,
  'nothing-possible': () => 'No test that is possible now would settle it.',
  'may-be-frozen': (w: { celsius: number }, voice: Voice) =>
    `At ${voice.celsius(w.celsius)} a battery this empty may be frozen: warm it through and look at the case before anything else.`,
} satisfies PhrasesFor<DecisionMessages>;

const missing = (names: readonly StepName[], voice: Voice): string =>
  names.length > 0 ? ` Missing: ${steps(names, voice)}.` : '';

export const VERDICTS = {
  called: (w: { fault: FaultName; evidence?: Message }, voice: Voice) =>
    `${nameOf(w.fault)}${w.evidence ? `: ${voice.say(w.evidence)}` : ''}.`,
  'charge-first-part': () =>
    'Charge first, then repeat: a flat battery cannot be judged, and spoils every later reading.',
  suspected: (w: { fault: FaultName; missing: readonly StepName[] }, voice: Voice) =>
    `${nameOf(w.fault)} is possible.${missing(w.missing, voice)}`,
  'outside-across': (w: { reading: Reading }, voice: Voice) =>
    `${TESTS[w.reading.test].name}: ${readingWords(w.reading, voice)} lies outside its limit.`,
  'path-fails': (w: { reading: Reading; amps?: number; bound?: Message }, voice: Voice) =>
    `${TESTS[w.reading.test].name}: ${readingWords(w.reading, voice)}${w.amps === undefined ? '' : ` at ${voice.amps(w.amps)}`}${w.bound ? `, allowed is ${voice.say(w.bound)}` : ', outside its limit'}. Whatever of this path is bad, it is repaired.`,
  'not-tested': (w: { missing: readonly StepName[] }, voice: Voice) => `Not tested.${missing(w.missing, voice)}`,
  'not-read-yet': (w: { missing: readonly StepName[] }, voice: Voice) =>
    `Not all of it is read yet.${missing(w.missing, voice)}`,
  keep: (w: { part: JudgedPart; readings: readonly Reading[] }, voice: Voice) =>
    `Nothing read speaks against the ${w.part}: ${w.readings.map((reading) => named(reading, voice)).join(', ')}.`,
  'battery-replace': (w: { battery: number; isWeak: boolean; health?: number }, voice: Voice) =>
    w.isWeak
      ? `Battery ${w.battery} is the weak one${w.health === undefined ? '' : `: health about ${voice.share(w.health)} of rated`}.`
      : `Battery ${w.battery} goes with the weak one.`,
  'battery-charge-first': (w: { battery: number; charge?: number }, voice: Voice) =>
    `Battery ${w.battery} is ${w.charge === undefined ? 'not' : voice.share(w.charge)} charged: charge it first.`,
  'battery-not-proven': (w: { battery: number }) => `Battery ${w.battery} is suspected; its excuses are open.`,
  'battery-keep': (w: { battery: number; health?: number }, voice: Voice) =>
    `Battery ${w.battery} is good${w.health === undefined ? '' : `: health about ${voice.share(w.health)} of rated`}.`,
  'battery-not-tested': (w: { battery: number }) => `Battery ${w.battery}: how good it is was not measured.`,
} satisfies PhrasesFor<VerdictMessages>;

const settlesOf = (step: StepName): string => stepOf(step)?.settles ?? '';

export const NEXT = {
  'resting-first': () => 'Everything leans on the resting voltage: battery first.',
  settles: (w: { step: StepName }) => settlesOf(w.step),
  'settles-and-asked': (w: { step: StepName }) => `${settlesOf(w.step)} Nothing is called sound before it.`,
  'jam-or-open': () => 'Amps with the key at start: hardly any is a circuit that is open, very many a jam.',
  'finds-what-is-open': () =>
    'With nothing flowing nearly the whole battery lies across what is open, and next to nothing across what is not.',
  'ways-disagree': (w: { low: HealthOfWay; high: HealthOfWay; battery?: number }, voice: Voice) =>
    `${w.battery === undefined ? '' : `Battery ${w.battery}: `}${voice.share(w.low.health)} of its rating from ${WAYS[w.low.way]}, ${voice.share(w.high.health)} from ${WAYS[w.high.way]}: a third way decides.`,
  'charge-then-read': (w: { battery?: number }) =>
    `Charge ${w.battery === undefined ? 'the battery' : `battery ${w.battery}`} fully, take off the surface charge, then read the resting voltage again.`,
  'instrument-first': ({ check }: { check: ObservationName }) =>
    `The last reading was spoilt by its instrument. ${OBSERVATIONS[check].asks}, then read again.`,
  'read-again': (w: { reading: Reading }, voice: Voice) =>
    `${readingWords(w.reading, voice)} lies outside its limit and nothing else explains it: once more, with care for posts and current.`,
  'again-after-repair': () => 'The same test again, after the repair.',
  'somebody-may-be-hurt': () => 'Somebody may be hurt. Do not take it.',
  'no-current-to-read-by': () => 'It does not crank, so no current flows to read this by.',
  'void-without-current': () => 'Without current the reading is void.',
  'engine-does-not-run': () => 'The engine does not run.',
  'nothing-is-charged': () => 'Nothing is charged, so nothing can be read.',
  'resting-comes-first': () => 'Read the resting voltage first: everything leans on it.',
  'taken-again-after-charge': () =>
    'A flat battery would spoil this reading, and it would be taken again after the charge.',
  'charge-comes-first': (w: { needed: number }, voice: Voice) =>
    `The battery is below ${voice.share(w.needed)}: charge it first.`,
  'spoilt-by-flat-battery': (w: { minutes: number }, voice: Voice) =>
    `A flat battery spoils it: about ${voice.plain(w.minutes, w.minutes % 1 === 0 ? 0 : 1)} min now, and the same again after the charge.`,
} satisfies PhrasesFor<NextMessages>;
