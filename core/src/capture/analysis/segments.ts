/** The stretches of a record, in time. */
import type { CaptureSegment, SegmentKind } from '../../format/capture-format';
import type { Crank } from './find-cranks';
import type { Inrush } from './inrush';
import type { Outcome } from './outcome';
import type { Signal } from './signal';

/** One attempt with its first current. */
export interface Attempt {
  readonly crank: Crank;
  readonly inrush: Inrush;
}

/** What the record is cut by, in blocks. */
export interface Cuts {
  /** Where the key was turned on; null where that is not seen. */
  readonly keyOn: number | null;
  readonly attempts: readonly Attempt[];
  readonly outcome: Outcome | null;
  /** Of a record without a start: what it shows all along. */
  readonly whole: SegmentKind | null;
}

/** The stretches of a recording in the order of time: rest, key-on, inrush, crank, recovery, charging. */
export function segmentsOf({ volts, samples, sampleRateHz }: Signal, cuts: Cuts): readonly CaptureSegment[] {
  const { blockS, mean } = volts.envelope;
  const end = mean.length;
  const segments: CaptureSegment[] = [];
  const add = (kind: SegmentKind, from: number, to: number): void => {
    if (to <= from) return;
    const toS = to >= end ? samples / sampleRateHz : to * blockS;
    segments.push({ kind, fromS: from * blockS, toS });
  };
  if (cuts.whole) {
    add(cuts.whole, 0, end);
    return segments;
  }
  const [first] = cuts.attempts;
  if (!first) return segments;
  add('rest', 0, cuts.keyOn ?? first.crank.from);
  if (cuts.keyOn !== null) add('key-on', cuts.keyOn, first.crank.from);
  cuts.attempts.forEach(({ crank, inrush }, at) => {
    add('inrush', crank.from, inrush.toBlock);
    add('crank', inrush.toBlock, crank.to);
    const next = cuts.attempts[at + 1];
    const charging = !next && cuts.outcome?.kind === 'charging' ? cuts.outcome.stretch : null;
    add('recovery', crank.to, next ? next.crank.from : (charging?.from ?? end));
    if (charging) add('charging', charging.from, charging.to);
  });
  return segments;
}
