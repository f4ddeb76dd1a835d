/** What the readings of the paths add up to. */
import type { PathTest, PieceName } from '../circuit/paths';
import type { NumericReading } from './case-context';

/** What is known of one piece. */
export interface PieceEstimate {
  readonly piece: PieceName;
  readonly ohms: number;
  /** Standard deviation of `ohms`. */
  readonly spread: number;
  /** No reading allows it more than this, ohm: every other piece of a path takes nothing at the least. */
  readonly atMostOhms: number;
  /** True where a reading across it alone, or a difference of readings, tells it apart from its neighbours. */
  readonly isTold: boolean;
}

/** A drop reading, less what readings of its parts explain. */
export interface PathRest {
  readonly test: PathTest;
  readonly reading: NumericReading;
  readonly amps: number;
  /** Volts that no measured part explains, at the current of this reading, and how far they may be off. */
  readonly volts: number;
  readonly spread: number;
  /** The parts that were measured. */
  readonly parts: readonly PathTest[];
  /** The pieces that are left. */
  readonly pieces: readonly PieceName[];
  /** Nearly the whole battery voltage lies across it: somewhere in these pieces it is open. */
  readonly isOpen: boolean;
}

/** A part that lost more than the whole it lies in. */
export interface Contradiction {
  readonly part: PathTest;
  readonly whole: PathTest;
}

export interface PathSolution {
  /** Every piece that a reading lies across; worked out when it is first asked for. */
  readonly pieces: () => ReadonlyMap<PieceName, PieceEstimate>;
  readonly rests: readonly PathRest[];
}
