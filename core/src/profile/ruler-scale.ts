import type { ResolvedLimit } from '../criteria/resolved-limit';

/** Room left on each side of what must be seen, as a share of it. */
const ROOM = 0.35;
/** The least room, as a share of the largest figure. */
const MIN_ROOM = 0.02;

/** Where a reading stands against its limit, all as shares of the ruler's length. */
export interface RulerScale {
  readonly value: number;
  /** The allowed range; an open end lies at the ruler's own. */
  readonly from: number;
  readonly to: number;
  /** The ends that are limits. */
  readonly edges: readonly number[];
  /** The same ends in the reading's own unit; none where the limit is of another figure. */
  readonly figures: readonly number[];
}

const finiteOf = (own: number, other: number): number => (Number.isFinite(own) ? own : other);

/** The reading stays on the ruler, however far out it lies. */
export function rulerScale({
  value,
  min,
  max,
  drawn,
}: Pick<ResolvedLimit, 'value' | 'min' | 'max'> & Partial<Pick<ResolvedLimit, 'drawn'>>): RulerScale {
  const marks = [value, min, max].filter(Number.isFinite);
  const low = Math.min(...marks);
  const high = Math.max(...marks);
  const room = Math.max((high - low) * ROOM, Math.abs(high) * MIN_ROOM, 1e-6);
  const x = (figure: number): number => Math.min(1, Math.max(0, (figure - low + room) / (high - low + 2 * room)));
  const edges = [min, max].filter(Number.isFinite);
  // a limit on a loss is drawn from its other end
  const figures = drawn
    ? [
        ...(Number.isFinite(min) ? [finiteOf(drawn.min, drawn.max)] : []),
        ...(Number.isFinite(max) ? [finiteOf(drawn.max, drawn.min)] : []),
      ].filter(Number.isFinite)
    : [];
  return {
    value: x(value),
    from: x(min),
    to: x(max),
    edges: edges.map(x),
    figures: figures.length === edges.length ? figures : [],
  };
}
