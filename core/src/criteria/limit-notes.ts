/**
 * Why a limit is what it is, and how the reading is to be taken: told with a reading outside it. A note's figures are
 * those of the limit it stands with, so that editing the limit edits the note; volts are those of the vehicle's system.
 */
import { coldDemand } from './expected-draw';
import type { Message, MessageParams, Phrase, PhraseTable } from '../format/message';
import type { LimitRule } from './limit-rule';

type Kind = LimitRule['kind'];
type RuleOf<K extends Kind> = Extract<LimitRule, { readonly kind: K }>;

interface Note {
  /** The kind of limit whose figures it tells; null where it tells none. */
  readonly kind: Kind | null;
  /** @param factor What volts of a 12 V system are multiplied by. */
  readonly figures: (rule: never, factor: number, borderline: number) => MessageParams;
  readonly says: Phrase<never>;
}

const plain = (text: string): Note => ({ kind: null, figures: () => ({}), says: () => text });

const telling = <K extends Kind, F extends MessageParams>(
  kind: K,
  figures: (rule: RuleOf<K>, factor: number, borderline: number) => F,
  says: Phrase<F>,
): Note => ({ kind, figures, says });

/** A cold morning, as the trade tells it, °C. */
const COLD_CELSIUS = -18;

const pathNote = (current: string): string =>
  `Read across the path while the ${current} current flows; without at least half of it the figure means nothing.`;

const NOTES = {
  'note-charge-first': telling(
    'charge',
    ({ minShare }) => ({ minShare }),
    ({ minShare }, voice) =>
      `Below ${voice.share(minShare)} no load or cranking reading can condemn anything: charge first.`,
  ),
  'note-load-test': plain(
    'Half the CCA for 15 s, read at the end under load; a smaller load must hold more volts, a cold battery is allowed less.',
  ),
  'note-by-rating': plain(
    'Judged against the rating: one band in milliohms condemns small sound batteries and passes large worn ones.',
  ),
  'note-cells': telling(
    'spread',
    ({ max }, _factor, borderline) => ({ max, watched: max - borderline }),
    ({ max, watched }, voice) =>
      `A spread of ${voice.plain(max, 3)} between cells is a bad cell, ${voice.plain(watched, 3)} is watched; even and low wants a charge.`,
  ),
  'note-dead-cell': plain('A loss of about 2 V overnight, disconnected, is a dead cell; a sound battery hardly moves.'),
  'note-first-dip': plain('Floor of the first dip on a fast capture; holds for petrol engines only.'),
  'note-usual-draw': telling(
    'expected-draw',
    () => ({ celsius: COLD_CELSIUS, more: coldDemand(COLD_CELSIUS) - 1 }),
    ({ celsius, more }, voice) =>
      `The maker’s figure first; else the typical range by cylinders and fuel, about ${voice.share(more)} more at ${voice.celsius(celsius)}.`,
  ),
  'note-petrol-speed': plain('Usual is 150 to 250 rpm for petrol.'),
  'note-diesel-speed': plain('Usual is 130 to 250 rpm for diesel.'),
  'note-solenoid': plain('With the key at start the solenoid needs nearly what the battery still has.'),
  'note-motor': plain('What both sides of the path may lose together; the rest must arrive at the motor.'),
  'note-stud': plain('With the engine off the stud shows battery voltage; a blown fusible link shows none.'),
  'note-excitation': plain(
    'Key on, the sense and ignition terminals need a supply, or the alternator is not told to work.',
  ),
  'note-commanded': plain('A commanded target moves on purpose; only the distance to it can be judged.'),
  'note-humps': plain(
    'Even humps of some tens of millivolts; a missing hump in six is a diode even where the AC figure passes.',
  ),
  'note-field': plain(
    'At full command, as practice knows it: little is worn brushes, much more a shorted rotor. The maker’s maximum wins.',
  ),
  'note-one-way': plain('Stud to case on the diode range conducts one way only.'),
  'note-drain': telling(
    'band',
    ({ max = Infinity }, _factor, borderline) => ({ usual: max - borderline, tolerated: max }),
    ({ usual, tolerated }, voice) =>
      `Up to ${voice.amps(usual)} is usual with all modules asleep, ${voice.amps(tolerated)} is tolerated by some.`,
  ),
  'note-cranking-path': plain(pathNote('cranking')),
  'note-charging-path': plain(pathNote('charging')),
  'note-regulator': telling(
    'band',
    ({ perCelsius = 0, ceiling = Infinity }, factor) => ({
      perCelsius: perCelsius * factor,
      ceiling: ceiling * factor,
    }),
    ({ perCelsius, ceiling }, voice) =>
      `At the posts, 1500 to 2500 rpm; a good regulator asks about ${voice.perDegree(perCelsius)} more in the cold. Never above ${voice.volts(ceiling)}.`,
  ),
  'note-loads-on': plain('High beam, blower, demister and wipers on, 1500 rpm: it must hold.'),
  'note-cranking-floor': telling(
    'temperature-floor',
    ({ points }, factor) => ({ celsius: points.at(-1)![0], floor: points.at(-1)![1] * factor }),
    ({ floor, celsius }, voice) =>
      `Not below ${voice.volts(floor)} at ${voice.celsius(celsius)} while cranking; a cold battery is allowed what a load test allows it.`,
  ),
  'note-makers-floor': plain(
    'Diesels whose modules need more have a maker’s figure, well above the loaded floor: enter it with the vehicle.',
  ),
  'note-quick-floor': telling(
    'band',
    ({ min = 0 }, factor) => ({ floor: min * factor }),
    ({ floor }, voice) => `${voice.volts(floor)} while cranking, at any temperature, is a quick pass.`,
  ),
  'note-sag': telling(
    'sag',
    ({ maxVolts }, factor) => ({ sag: maxVolts * factor }),
    ({ sag }, voice) => `Not more than ${voice.volts(sag)} under the resting voltage.`,
  ),
  'note-ripple-stop': telling(
    'band',
    ({ max = Infinity }, factor, borderline) => ({ act: (max - borderline) * factor, stop: max * factor }),
    ({ act, stop }, voice) =>
      `Above ${voice.smallVolts(act)} look for the cause, above ${voice.smallVolts(stop)} stop: electronics and battery suffer.`,
  ),
  'note-ripple-act': telling(
    'band',
    ({ max = Infinity }, factor) => ({ act: max * factor }),
    ({ act }, voice) => `Strict practice acts above ${voice.smallVolts(act)}.`,
  ),
  'note-ripple-ceiling': plain('The lenient ceiling.'),
  'note-conductance': plain('Measured over rated CCA, same standard; works on a partly charged battery.'),
  'note-output': plain(
    'Only a system pulled to about the resting voltage, or a full field, shows what the alternator can give.',
  ),
  'note-into-battery': plain(
    'Two to three minutes after a normal start little should still flow; much more means a low battery or a bad cell.',
  ),
} satisfies Record<string, Note>;

export type NoteName = keyof typeof NOTES;
export const NOTE_NAMES = Object.keys(NOTES) as readonly NoteName[];

/** The sentences of the notes, by their codes. */
export const NOTE_PHRASES: PhraseTable = {
  ...Object.fromEntries(Object.entries(NOTES).map(([code, { says }]) => [code, says])),
  'note-own': ({ text }: { text: string }) => text,
};

/** What of a limit its note needs. */
export interface NotedLimit {
  readonly rule: LimitRule;
  readonly borderline?: number;
  readonly note: NoteName | { readonly text: string };
}

/**
 * The note of a limit for a system.
 *
 * @param factor What volts of a 12 V system are multiplied by; 1 where the test does not scale.
 * @throws RangeError where the note tells figures that this kind of limit does not have.
 */
export function noteOf({ note, rule, borderline = 0 }: NotedLimit, factor: number): Message {
  if (typeof note !== 'string') return { code: 'note-own', params: { text: note.text } };
  const { kind, figures }: Note = NOTES[note];
  if (kind !== null && kind !== rule.kind)
    throw new RangeError(`${note} tells the figures of a limit of kind ${kind}; this one is of kind ${rule.kind}`);
  return { code: note, params: figures(rule as never, factor, borderline) };
}
