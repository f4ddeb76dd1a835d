/** Sentences of the rules that several tests share, and of a label that is doubted. */
import type { LabelMessages } from '../../criteria/label-check';
import type { EvidenceMessages } from '../../evidence/messages';
import type { Reading } from '../../format/reading-shape';
import type { PhrasesFor, Voice } from '../../format/message';
import type { TestName } from '../../format/names';
import { TESTS } from '../../trade/tables';
import { lower } from './names';
import { readingWords } from './readings';

export const SHARED = {
  specified: (w: { test: TestName; min?: number; max?: number }, voice: Voice) =>
    `${voice.range(w.test, w)} (specified)`,
  'below-charge': (w: { charge: number; needed: number }, voice: Voice) =>
    `The battery was ${voice.share(w.charge)} charged; below ${voice.share(w.needed)} a low reading proves nothing. Charge first, then repeat.`,
  'charged-since': (w: { charge: number; needed: number }, voice: Voice) =>
    `Read while the battery was ${voice.share(w.charge)} charged, under ${voice.share(w.needed)}. It was charged since: read it again.`,
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
  'module-not-compared': () =>
    'A voltage read at a module is not the voltage at the post: compare them once at key-on and enter the difference.',
  peak: () => 'A peak of a moment belongs to the inrush: no limit of steady current speaks of it.',
  'closed-part': (w: { test: TestName; value: number }, voice: Voice) =>
    `${voice.value(w.test, Math.abs(w.value))} with no current: this piece is not the open one.`,
  'needs-rating': (w: { test: TestName; value: number }, voice: Voice) =>
    `${voice.value(w.test, w.value)}: the battery’s rating and its standard are needed to judge it.`,
  'ask-above-resting': (w: { value: number; resting: number }, voice: Voice) =>
    `${voice.volts(w.value)} under load is above the resting voltage (${voice.volts(w.resting)}).`,
  'ask-far-under-resting': (w: { value: number; resting: number }, voice: Voice) =>
    `${voice.volts(w.value)} with the engine running is far under the resting voltage (${voice.volts(w.resting)}).`,
  'ask-hardly-a-battery': (w: { value: number }, voice: Voice) =>
    `${voice.volts(w.value)} at rest is hardly a battery.`,
  'ask-no-amps': (w: { value: number }, voice: Voice) => `${voice.amps(w.value)} of conductance: no battery has none.`,
  'ask-no-ohms': () => 'No battery has 0 Ω.',
  'ask-beside-rating': (w: { value: number; rated: number }, voice: Voice) =>
    `${voice.amps(w.value)} beside a rating of ${voice.amps(w.rated)}.`,
  'ask-more-than-drain': (w: { amps: number; whole: number }, voice: Voice) =>
    `That is ${voice.amps(w.amps)} through one fuse; the whole drain is ${voice.amps(w.whole)}. Check the rating and the millivolts.`,
  'ask-too-fast': (w: { value: number }, voice: Voice) =>
    `${voice.quantity(w.value, 'rpm')} is faster than a starter turns an engine.`,
  'diode-as-it-should': (w: { reading: Reading }, voice: Voice) =>
    `diode check ${readingWords(w.reading, voice)}: normal`,
  'diode-not-as-it-should': (w: { reading: Reading }, voice: Voice) =>
    `diode check ${readingWords(w.reading, voice)}: not normal`,
} satisfies PhrasesFor<EvidenceMessages>;

interface Doubted {
  readonly value: number;
  readonly standard: string;
}
const asLabelled = ({ value, standard }: Doubted, voice: Voice): string => `${voice.plain(value, 0)} A (${standard})`;

export const LABELS = {
  'label-too-strong': (w: Doubted & { capacityAh: number }, voice: Voice) =>
    `${asLabelled(w, voice)} for ${voice.plain(w.capacityAh, 0)} Ah is more than such a battery has: is this CA (at 0 °C), or another standard? Look at the label again.`,
  'label-too-weak': (w: Doubted & { capacityAh: number }, voice: Voice) =>
    `${asLabelled(w, voice)} for ${voice.plain(w.capacityAh, 0)} Ah is less than such a battery has: which line and which standard? Look at the label again.`,
  'label-against-engine': (w: Doubted & { litres: number }, voice: Voice) =>
    `${asLabelled(w, voice)} does not fit an engine of ${voice.plain(w.litres, 1)} l: which line and which standard? Look at the label again.`,
} satisfies PhrasesFor<LabelMessages>;
