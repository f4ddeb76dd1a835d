/** Parameters that several messages of the judge share. */
import type { PathTest } from '../circuit/paths';
import type { Message } from '../format/message';
import type { StepName, TestName } from '../format/names';
import type { Reading } from '../format/reading-shape';

/** A graded reading beside its limit. */
export interface GradedParams {
  readonly test: TestName;
  readonly value: Reading['value'];
  readonly bound: Message;
  readonly amps: number | undefined;
  readonly note?: Message;
}
export interface DropParams {
  readonly test: TestName;
  readonly value: number;
  readonly amps: number | undefined;
  readonly allowed: number;
  /** Volts left when the measured parts are taken off, and which parts those are. */
  readonly left: number | undefined;
  readonly parts: readonly PathTest[] | undefined;
}
export interface HealthOfWay {
  readonly way: string;
  readonly health: number;
}
/** Of a pack: the weak batteries, and how they are joined. */
export interface PackParams {
  readonly weak: readonly number[];
  readonly batteries: readonly number[];
  readonly arrangement: 'parallel' | 'series';
  readonly count: number;
}
/** One battery of a pack. */
export interface OwnBatteryParams {
  readonly battery: number;
  readonly charge?: number;
  readonly health?: number;
  readonly isWeak: boolean;
}

/** What could not be read, and what lies outside its limit. */
export interface NothingFoundParams {
  readonly missing: readonly StepName[];
  readonly outside: readonly Reading[];
}

/** What stands between a part and its verdict: steps nobody took, and steps to take again. */
export interface StillOpen {
  readonly missing: readonly StepName[];
  readonly again?: readonly StepName[];
}
