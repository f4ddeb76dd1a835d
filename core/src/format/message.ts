/**
 * Messages: a code and its parameters instead of a sentence. No logic ever reads words; the sentences are made from
 * messages where a document is written or a screen is drawn (`words/en`).
 */
import type { FigureFormat } from '../quantities/figure-format';
import type { FaultName, StepName, TestName } from './names';

/** What a sentence is made of. */
export interface Message {
  /** Short kebab-case name of the message; every code is listed in docs/tables.md. */
  readonly code: string;
  /** Its figures, in the units of the files (V, A, ohm, °C, shares of one), and the names in it. */
  readonly params: MessageParams;
}
export type MessageParams = Readonly<Record<string, unknown>>;

/** A message as documents hold it: the parameters are named `with` there, and so are those of messages in it. */
export interface StoredMessage {
  readonly code: string;
  readonly with: MessageParams;
}

/** The parameters that may hold a message themselves. */
const NESTED = ['bound', 'evidence', 'note'] as const;

/** The parameters with every message among them converted; the same object where there is none. */
function converted(params: MessageParams, convert: (value: object) => unknown): MessageParams {
  let copy: Record<string, unknown> | null = null;
  for (const name of NESTED) {
    const value = params[name];
    if (typeof value === 'object' && value !== null) (copy ??= { ...params })[name] = convert(value);
  }
  return copy ?? params;
}

/** @returns the message as a document holds it. */
export const storedMessage = ({ code, params }: Message): StoredMessage => ({
  code,
  with: converted(params, (nested) => storedMessage(nested as Message)),
});
/** @returns the message that a document holds. */
export const messageOf = ({ code, with: params }: StoredMessage): Message => ({
  code,
  params: converted(params, (nested) => messageOf(nested as StoredMessage)),
});

/** What a sentence is set with: figures as the reader wants them, and names in the reader's language. */
export interface Voice extends FigureFormat {
  /** A step's name as it stands inside a sentence. */
  step(name: StepName): string;
  fault(name: FaultName): string;
  /** A figure in the unit of a test, small volts as the person wants them. */
  value(test: TestName, value: number): string;
  /** A range of such figures: “at least”, “at most”, or both ends. */
  range(test: TestName, ends: { readonly min?: number | undefined; readonly max?: number | undefined }): string;
  /** Another sentence inside this one. */
  say(message: Message): string;
}

/** Makes one sentence from its figures. */
export type Phrase<Figures> = (figures: Figures, voice: Voice) => string;
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- each phrase has figures of its own; `say` checks them
export type PhraseTable = Readonly<Record<string, Phrase<any>>>;

type FiguresOf<P> = P extends () => string
  ? Readonly<Record<never, never>>
  : P extends (figures: infer F, voice: Voice) => string
    ? F
    : never;

/** Names a sentence of a table and gives it its figures: the two are checked against each other. */
export type Say<T extends PhraseTable> = <C extends keyof T & string>(code: C, figures: FiguresOf<T[C]>) => Message;

/**
 * @param _table The sentences of one thing of the trade; it is registered with that thing.
 * @returns a typed maker of {@link Message} for that table.
 */
export function sayer<T extends PhraseTable>(_table: T): Say<T> {
  return (code, params) => ({ code, params: params as MessageParams });
}

/**
 * A typed maker of messages whose sentences are written in `words/en`: `M` lists each code with its parameters, and
 * the table of sentences is checked against the same list.
 *
 * @example const message = messages<JudgeMessages>(); message('charge-comes-first', { needed: 0.75 });
 */
export const messages =
  <M extends object>() =>
  <C extends keyof M & string>(code: C, params: M[C]): Message => ({ code, params: params as MessageParams });

/** Sentences for every message of a list: leaving one out, or one too many, does not compile. */
export type PhrasesFor<M extends object> = { readonly [C in keyof M & string]: Phrase<M[C]> };
/** A message without parameters. */
export type NoParams = Readonly<Record<never, never>>;

/** The ends of a range that are really there: an open end has no figure. */
export function finiteEnds({ min, max }: { readonly min: number; readonly max: number }): {
  min?: number;
  max?: number;
} {
  const hasMax = Number.isFinite(max);
  if (!Number.isFinite(min)) return hasMax ? { max } : {};
  return hasMax ? { min, max } : { min };
}
