/** What is decided, of the whole, of each part and battery, and what comes next. */
import type { DrainCircuit } from '../../evidence/fuses';
import type { Reading } from '../../format/reading-shape';
import type { FaultName, ObservationName, StepName } from '../../format/names';
import type { JudgedPart } from '../../format/words';
import { PIECES } from '../../circuit/paths';
import type { PieceName } from '../../circuit/paths';
import { SIGNAL_PIECES, SIGNAL_PIECE_NAMES } from '../../circuit/start-signal';
import type { SignalPiece } from '../../circuit/start-signal';
import { EXCUSES, excuseRow } from '../../trade/excuses';
import type { ExcuseName } from '../../trade/excuses';
import { OBSERVATIONS, TESTS, stepOf } from '../../trade/tables';
import type { Message, PhrasesFor, Voice } from '../../format/message';
import type { DecisionMessages, NextMessages, VerdictMessages } from '../../judge/messages';
import type { HealthOfWay, PackParams, StillOpen } from '../../judge/message-params';
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

/** Where to work: one piece, or all that no reading tells apart. */
const placeWords = (place: readonly PieceName[]): string =>
  place.length === 0
    ? ''
    : ` Work on the ${listed(place.map((piece) => PIECES[piece].name))}${place.length > 1 ? ': no reading tells them apart' : ''}.`;

/** Of an open start signal: the piece, or the pieces that are left; nothing where nobody looked yet. */
const openWords = (open: readonly SignalPiece[]): string =>
  open.length === 0 || open.length === SIGNAL_PIECE_NAMES.length
    ? ''
    : open.length === 1
      ? ` Open: the ${SIGNAL_PIECES[open[0]!]}.`
      : ` Open is one of these: ${open.map((piece) => SIGNAL_PIECES[piece]).join(', ')}.`;

/** Another cause as it stands in a list: “a flat battery”. */
const causeWords = (cause: ExcuseName | FaultName): string =>
  cause in EXCUSES
    ? (excuseRow(cause as ExcuseName).cause ?? excuseRow(cause as ExcuseName).first)
    : lower(nameOf(cause as FaultName));

export const DECISIONS = {
  proven: (
    w: {
      fault: FaultName;
      probability: number;
      evidence?: Message;
      place?: readonly PieceName[];
      causes?: readonly (ExcuseName | FaultName)[];
      pack?: PackParams;
      circuit?: DrainCircuit;
      open?: readonly SignalPiece[];
    },
    voice: Voice,
  ) =>
    `${nameOf(w.fault)}, ${voice.probability(w.probability)} probable${w.evidence ? `: ${voice.say(w.evidence)}` : ''}.${w.circuit ? ` ${w.circuit.fuse} takes ${voice.amps(w.circuit.amps)}.` : ''}${placeWords(w.place ?? [])}${openWords(w.open ?? [])}${w.causes ? ' Other causes are ruled out.' : ''}${w.pack ? pack(w.pack) : ''}`,
  repaired: (w: { fault: FaultName; before: Reading; after: Reading }, voice: Voice) =>
    `${nameOf(w.fault)}: repaired. ${TESTS[w.after.test].name} ${readingWords(w.before, voice)} before, ${readingWords(w.after, voice)} now, within its limit.`,
  'ruled-out': (w: { cause: ExcuseName | FaultName }) => causeWords(w.cause),
  'stop-here': () => 'Stop here: another test would cost more than it could save.',
  'go-on': (w: { minutes: number; share: number }, voice: Voice) =>
    `${voice.plain(w.minutes, w.minutes % 1 === 0 ? 0 : 1)} more minutes take away ${voice.share(w.share)} of the risk.`,
  'charge-first': (w: { charge: number; needed: number; batteries?: readonly number[] }, voice: Voice) =>
    `${w.batteries?.length ? `Battery ${listed(w.batteries)}` : 'The battery'} is ${voice.share(w.charge)} charged; below ${voice.share(w.needed)} no load or cranking reading can condemn anything. Charge first, then repeat.`,
  'none-found': () => 'All tests for this complaint are done and within their limits: no part needs replacing.',
  'none-found-beside': (w: { outside: readonly Reading[] }, voice: Voice) =>
    `All tests for this complaint are done, and no part is at fault. One reading is outside its limit and points to no part by itself: ${w.outside.map((reading) => named(reading, voice)).join(', ')}.`,
  'none-found-but-missing': (w: { missing: readonly StepName[] }, voice: Voice) =>
    `Nothing found in what could be tested. Not tested, because it was not possible: ${steps(w.missing, voice)}.`,
  leads: (
    w: { fault: FaultName; probability: number; excuse?: ExcuseName; step?: StepName; isGuess?: true },
    voice: Voice,
  ) =>
    `${nameOf(w.fault)} is ${w.isGuess ? voice.guess(w.probability) : `most likely (${voice.probability(w.probability)})`}.${w.excuse ? ` First ${EXCUSES[w.excuse].first}.` : w.step ? ` Next: ${voice.step(w.step)}.` : ''}`,
  'outside-unexplained': (w: { reading: Reading }, voice: Voice) =>
    `${TESTS[w.reading.test].name}: ${readingWords(w.reading, voice)} is outside its limit and no other reading explains it. Repeat the reading.`,
  'nothing-possible': () => 'No test that can be done now would decide it.',
  'may-be-frozen': (w: { celsius: number }, voice: Voice) =>
    `At ${voice.celsius(w.celsius)} a battery this empty may be frozen. Warm it up and check the case first.`,
} satisfies PhrasesFor<DecisionMessages>;

const stillOpen = ({ missing, again = [] }: StillOpen, voice: Voice): string =>
  [
    missing.length > 0 ? ` Missing: ${steps(missing, voice)}.` : '',
    again.length > 0 ? ` To repeat: ${steps(again, voice)}.` : '',
  ].join('');

interface PathLoss {
  readonly reading: Reading;
  readonly amps?: number;
  readonly bound?: Message;
}
const pathLoss = ({ reading, amps, bound }: PathLoss, voice: Voice): string =>
  `${TESTS[reading.test].name}: ${readingWords(reading, voice)}${amps === undefined ? '' : ` at ${voice.amps(amps)}`}${bound ? `, limit: ${voice.say(bound)}` : ', outside its limit'}.`;

export const VERDICTS = {
  called: (w: { fault: FaultName; evidence?: Message }, voice: Voice) =>
    `${nameOf(w.fault)}${w.evidence ? `: ${voice.say(w.evidence)}` : ''}.`,
  'charge-first-part': () =>
    'Charge first, then repeat: a flat battery cannot be judged, and spoils every later reading.',
  suspected: (w: StillOpen & { fault: FaultName }, voice: Voice) =>
    `${nameOf(w.fault)} is possible.${stillOpen(w, voice)}`,
  'outside-across': (w: { reading: Reading }, voice: Voice) =>
    `${TESTS[w.reading.test].name}: ${readingWords(w.reading, voice)} lies outside its limit.`,
  'path-fails': (w: PathLoss, voice: Voice) => `${pathLoss(w, voice)} Repair the bad part of this path.`,
  'path-to-narrow': (w: PathLoss, voice: Voice) => `${pathLoss(w, voice)} Narrow it down before repairing.`,
  'not-tested': (w: StillOpen, voice: Voice) => `Not tested.${stillOpen(w, voice)}`,
  'not-read-yet': (w: StillOpen, voice: Voice) => `Not fully tested yet.${stillOpen(w, voice)}`,
  keep: (w: { part: JudgedPart; readings: readonly Reading[] }, voice: Voice) =>
    `No reading points to the ${w.part}: ${w.readings.map((reading) => named(reading, voice)).join(', ')}.`,
  'battery-replace': (w: { battery: number; isWeak: boolean; health?: number }, voice: Voice) =>
    w.isWeak
      ? `Battery ${w.battery} is the weak one${w.health === undefined ? '' : `: health about ${voice.share(w.health)} of rated`}.`
      : `Battery ${w.battery} is replaced together with the weak one.`,
  'battery-charge-first': (w: { battery: number; charge?: number }, voice: Voice) =>
    `Battery ${w.battery} is ${w.charge === undefined ? 'not' : voice.share(w.charge)} charged: charge it first.`,
  'battery-not-proven': (w: { battery: number }) =>
    `Battery ${w.battery} is suspected; other causes are not ruled out yet.`,
  'battery-keep': (w: { battery: number; health?: number }, voice: Voice) =>
    `Battery ${w.battery} is good${w.health === undefined ? '' : `: health about ${voice.share(w.health)} of rated`}.`,
  'battery-not-tested': (w: { battery: number }) => `Battery ${w.battery}: health not measured.`,
} satisfies PhrasesFor<VerdictMessages>;

const settlesOf = (step: StepName): string => stepOf(step)?.settles ?? '';

export const NEXT = {
  'resting-first': () => 'Start with the resting voltage: every later reading depends on it.',
  'label-first': () =>
    'The battery fails only by figures that lean on its label. Check the rating and its standard before replacing it.',
  settles: (w: { step: StepName }) => settlesOf(w.step),
  'settles-and-asked': (w: { step: StepName }) => `${settlesOf(w.step)} Needed before anything can be passed.`,
  'jam-or-open': () =>
    'Measure the current with the key at start: almost none means an open circuit, a very high one a jam.',
  'finds-what-is-open': () =>
    'With no current, nearly the whole battery voltage is across the open part, and almost none across the rest.',
  'ways-disagree': (w: { low: HealthOfWay; high: HealthOfWay; battery?: number }, voice: Voice) =>
    `${w.battery === undefined ? '' : `Battery ${w.battery}: `}${voice.share(w.low.health)} of its rating from ${WAYS[w.low.way]}, ${voice.share(w.high.health)} from ${WAYS[w.high.way]}: measure it a third way.`,
  'charge-then-read': (w: { battery?: number }) =>
    `Charge ${w.battery === undefined ? 'the battery' : `battery ${w.battery}`} fully, take off the surface charge, then read the resting voltage again.`,
  'instrument-first': ({ check }: { check: ObservationName }) =>
    `The last reading was spoiled by the instrument. ${OBSERVATIONS[check].asks}, then repeat it.`,
  'read-again': (w: { reading: Reading }, voice: Voice) =>
    `${readingWords(w.reading, voice)} is outside its limit and no other reading explains it. Repeat it, and check the contact points and the current.`,
  'look-first': ({ look }: { look: ObservationName }) =>
    `${OBSERVATIONS[look].asks} before anything else: it may not be safe to touch.`,
  'read-both-again': () => 'Resting voltage and gravity contradict each other. Repeat both.',
  'look-again': (w: { about: ObservationName; finding: string }) =>
    `${OBSERVATIONS[w.about].name}: ${w.finding} does not fit the other readings. Look again.`,
  'again-after-repair': () => 'Repeat this test after the repair.',
  'somebody-may-be-hurt': () => 'Risk of injury. Do not do this test.',
  'no-current-to-read-by': () => 'The engine does not crank, so no current flows for this reading.',
  'void-without-current': () => 'Without current the reading is void.',
  'on-the-charger': () => 'The battery is on the charger.',
  'off-the-charger-first': () => 'Charger off, surface charge off, resting voltage; then this.',
  'engine-does-not-run': () => 'The engine does not run.',
  'nothing-is-charged': () => 'Without a running engine there is nothing to measure.',
  'resting-comes-first': () => 'Measure the resting voltage first: every later reading depends on it.',
  'taken-again-after-charge': () =>
    'A flat battery would spoil this reading: it would have to be repeated after charging.',
  'charge-comes-first': (w: { needed: number }, voice: Voice) =>
    `The battery is below ${voice.share(w.needed)}: charge it first.`,
  'spoilt-by-flat-battery': (w: { minutes: number }, voice: Voice) =>
    `A flat battery spoils this reading: about ${voice.plain(w.minutes, w.minutes % 1 === 0 ? 0 : 1)} min now, and again after charging.`,
} satisfies PhrasesFor<NextMessages>;
