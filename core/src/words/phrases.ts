/**
 * A sentence as what it is made of: a code and its figures. Nothing but words is made from it, and no
 * logic ever reads the words.
 */
import type { FigureFormat } from '../quantities/figure-format';
import type { FaultName, StepName, TestName } from '../format/names';

/** What a sentence is made of. */
export interface Said {
  /** Short kebab-case name of the sentence; every code is listed in docs/tables.md. */
  readonly code: string;
  /** Its figures, in the units of the files (V, A, ohm, °C, shares of one), and the names in it. */
  readonly with: Readonly<Record<string, unknown>>;
}

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
  say(said: Said): string;
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
export type Say<T extends PhraseTable> = <C extends keyof T & string>(code: C, figures: FiguresOf<T[C]>) => Said;

/**
 * @param _table The sentences of one thing of the trade; it is registered with that thing.
 * @returns a typed maker of {@link Said} for that table.
 */
export function sayer<T extends PhraseTable>(_table: T): Say<T> {
  return (code, figures) => ({ code, with: figures as Said['with'] });
}

/** The ends of a range that are really there: an open end has no figure. */
export function finiteEnds({ min, max }: { readonly min: number; readonly max: number }): {
  min?: number;
  max?: number;
} {
  const hasMax = Number.isFinite(max);
  if (!Number.isFinite(min)) return hasMax ? { max } : {};
  return hasMax ? { min, max } : { min };
}
