import type { BudgetPiece } from '../format/judgement-shape';

/** Room above the first level and below the last, as a share of the fall. */
const ROOM = 0.12;
/** A loss under this share of the whole fall is not worth marking. */
const MARKED_SHARE = 0.25;

/** One step of the stair: what a piece took, in shares of the drawing. */
export interface VoltStep {
  readonly piece: BudgetPiece;
  readonly x: number;
  readonly width: number;
  /** Height of the level before it and behind it, from the top. */
  readonly from: number;
  readonly to: number;
  /** It took the most, and enough to be looked at. */
  readonly isDeepest: boolean;
}

export interface VoltStair {
  /** Volts at the beginning. */
  readonly volts: number;
  /** Width of the first level, before any piece. */
  readonly width: number;
  readonly steps: readonly VoltStep[];
}

/** The volts along a path as a stair: every piece is a step down, what is left is the last level. */
export function voltStair(budget: readonly BudgetPiece[]): VoltStair {
  const volts = budget.reduce((sum, piece) => sum + piece.volts, 0);
  const lost = budget.filter(({ kind }) => kind === 'lost');
  const fall = lost.reduce((sum, piece) => sum + piece.volts, 0);
  const deepest = lost.reduce<BudgetPiece | null>((most, one) => (one.volts > (most?.volts ?? 0) ? one : most), null);
  const y = (now: number): number => (ROOM + (volts - now) / Math.max(fall, 1e-6)) / (1 + 2 * ROOM);
  const width = 1 / (budget.length + 1);
  let now = volts;
  const steps = budget.map((piece, i): VoltStep => {
    const before = now;
    if (piece.kind === 'lost') now -= piece.volts;
    return {
      piece,
      x: (i + 1) * width,
      width,
      from: y(before),
      to: y(now),
      isDeepest: piece === deepest && piece.volts > MARKED_SHARE * fall,
    };
  });
  return { volts, width, steps };
}
