/** Sentences of what a record shows besides its readings. */
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';

const seconds = (value: number): string => `${value.toFixed(2)} s`;
const SIDES = { top: 'highest', bottom: 'lowest' } as const;

export const CAPTURED = {
  'capture-clamp-saturated': (w: { amps: number; fromS: number; toS: number }, voice: Voice) =>
    `The current stays flat at ${voice.amps(w.amps)} from ${seconds(w.fromS)} to ${seconds(w.toS)} while the volts move: that is the clamp’s ceiling, not the current. Use a larger clamp or range.`,
  'capture-clamp-reversed': () =>
    'The current is below zero while the starter draws: the clamp’s arrow points the other way. The sign was turned.',
  'capture-clamp-scale': (w: { factor: number; amps: number; volts: number }, voice: Voice) =>
    `As told, the current would be ${voice.amps(w.amps / w.factor)} for ${voice.volts(w.volts)} lost: the clamp’s scale is off by ${w.factor > 1 ? w.factor : 1 / w.factor}. Read here as ${voice.amps(w.amps)}; check the clamp’s switch.`,
  'capture-volts-clipped': (w: { volts: number; side: 'top' | 'bottom' }, voice: Voice) =>
    `The volts stand exactly at ${voice.volts(w.volts)}, the ${SIDES[w.side]} figure of the record: the channel’s range ends there. Choose a larger range.`,
  'capture-rate-low-inrush': (w: { hz: number }) =>
    `${Math.round(w.hz)} samples a second are too few for the inrush; rest, steady crank and charging are still shown.`,
  'capture-rate-low-ripple': (w: { hz: number }) =>
    `${Math.round(w.hz)} samples a second are too few for the humps of the ripple; the start and the charging volts are still shown.`,
  'capture-weak-cylinder': (w: { index: number; relative: number; of: number }, voice: Voice) =>
    `Compression ${w.index} of every ${w.of} takes only ${voice.share(w.relative)} of the others’ current: that cylinder is weak. Counted in the order of firing from the first compression seen.`,
  'capture-diode-open': (w: { missing: number; humpHz: number }) =>
    `${w.missing} of 6 humps missing, ${Math.round(w.humpHz / 6)} times a second: open diode.`,
  'capture-diode-shorted': (w: { missing: number; humpHz: number }) =>
    `${w.missing} of 6 humps missing, ${Math.round(w.humpHz / 6)} times a second, and the gap is deep: shorted diode.`,
  'capture-not-charging': (w: { volts: number; seconds: number }, voice: Voice) =>
    `The engine ran, but ${seconds(w.seconds)} after the start the volts are ${voice.volts(w.volts)}, not above rest: the alternator does not charge.`,
  'capture-did-not-start': () => 'The crank ends at once and nothing runs after it: the engine did not fire.',
  'capture-truncated': () => 'The last line was cut off; all before it is read.',
};

export const sayFinding = sayer(CAPTURED);
