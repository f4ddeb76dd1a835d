/** What an analysis works out, before it is written as a document. */
import type { MappedChannel, MappingChoice } from '../channel-mapping';
import type { Recording } from '../recording';
import type { Charging } from './charging';
import type { Ceiling } from './clamp';
import type { Cylinders } from './cylinders';
import type { Field } from './field';
import type { Blocks } from './find-charging';
import type { Outcome } from './outcome';
import type { Ripple } from './ripple';
import type { Attempt } from './segments';
import type { Signal } from './signal';
import type { Slope } from './slope';
import type { Steady } from './steady';

export interface AnalysisOptions extends MappingChoice {
  /** Cylinders of the engine; null or absent where nobody said: then no speed is claimed. */
  readonly cylinders?: number | null | undefined;
}

/** The level before anything happens. */
export interface Rest extends Blocks {
  readonly volts: number;
}

/** All that was worked out. */
export interface CaptureAnalysis {
  readonly recording: Recording;
  readonly mapped: readonly MappedChannel[];
  readonly signal: Signal;
  readonly keyOn: number | null;
  readonly rest: Rest | null;
  readonly attempts: readonly Attempt[];
  /** The attempt that is read: the longest. */
  readonly main: Attempt | null;
  readonly steady: Steady | null;
  readonly ceiling: Ceiling | null;
  readonly compressionsHz: number | null;
  readonly cylinders: Cylinders | null;
  readonly slope: Slope | null;
  readonly outcome: Outcome | null;
  readonly charging: Charging | null;
  readonly ripple: Ripple | null;
  readonly field: Field | null;
  readonly groundNoiseV: number | null;
}
