import type { Capture, SegmentKind } from '../format/capture-format';

/** A place of a picture: shares of its width and height, from the top left. */
export interface OutlinePoint {
  readonly x: number;
  readonly y: number;
}

export interface CaptureOutline {
  readonly segments: readonly { readonly kind: SegmentKind; readonly x: number; readonly width: number }[];
  /** Closed shapes between the lowest and the highest of every stretch, each over its own range. */
  readonly volts: readonly OutlinePoint[];
  readonly amps: readonly OutlinePoint[];
}

/** The geometry of a capture's small picture, for screen, print and PDF alike. */
export function captureOutline({ segments, seconds, outline }: Capture): CaptureOutline {
  return {
    segments: segments.map(({ kind, fromS, toS }) => ({ kind, x: fromS / seconds, width: (toS - fromS) / seconds })),
    volts: closed(outline?.volts ?? []),
    amps: closed(outline?.amps ?? []),
  };
}

/** @param pairs Lowest and highest in turn. */
function closed(pairs: readonly number[]): readonly OutlinePoint[] {
  const count = Math.floor(pairs.length / 2);
  if (count < 2) return [];
  const low = Math.min(...pairs);
  const span = Math.max(...pairs) - low || 1;
  const point = (stretch: number, value: number): OutlinePoint => ({
    x: (stretch + 0.5) / count,
    y: 1 - (value - low) / span,
  });
  const up = Array.from({ length: count }, (_, at) => point(at, pairs[2 * at + 1]!));
  const down = Array.from({ length: count }, (_, at) => point(count - 1 - at, pairs[2 * (count - 1 - at)]!));
  return [...up, ...down];
}
