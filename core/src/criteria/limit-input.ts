import type { System } from '../format/case-shape';
import type { ReadingConditions } from '../format/conditions';
import type { TestName } from '../format/names';
import type { DrawRange } from './expected-draw';
import type { UsualAmps } from './usual-amps';

/** The path of a drop reading, and the current it was read at. */
export interface PathInput {
  /** As told with the reading, A; undefined where nobody told it. */
  readonly amps: number | undefined;
  /** What the path usually carries in this vehicle; null where the case does not tell. */
  readonly usual: UsualAmps | null;
  /** Nearly the whole battery voltage lies across it. */
  readonly isOpen: boolean;
}

/** Everything a limit may ask of one reading and its vehicle. */
export interface LimitInput {
  readonly test: TestName;
  readonly conditions: ReadingConditions;
  /** What limits in the test's own unit are multiplied by: nominal volts over 12 where the test scales, else 1. */
  readonly testScale: number;
  readonly system: System;
  /** Nominal volts over 12. */
  readonly scale: number;
  /** Temperature of the battery, °C, and whether anybody measured it. */
  readonly celsius: number;
  readonly celsiusKnown: boolean;
  /** What the limit's figures are multiplied by at this temperature: 1 where it does not move. */
  readonly temperatureFactor: number;
  /** Of the air, °C; that of the battery where nobody told it. */
  readonly ambientCelsius: number | undefined;
  /** Resting voltage, V; null where none was read. */
  readonly resting: number | null;
  /** What the posts had in the crank of this reading, V; null where they were not read. */
  readonly cranking: () => number | null;
  /** The usual draw of the starter. */
  readonly draw: DrawRange;
  /** Cold-cranking amps (SAE) of the pack; null where the label does not tell. */
  readonly packCca: number | null;
  /** No figure may lean on the label. */
  readonly isLabelDoubted: boolean;
  /** Of a load test whose amps were told, with a rating to compare them with: the load, A, and the CCA (SAE) that it loads, A. */
  readonly load: { readonly amps: number; readonly cca: number } | null;
  /** Of a drop. */
  readonly path: PathInput | null;
  /** An alternator's amps are what it can give, and not only what the vehicle asked for. */
  readonly showsCapability: boolean;
}
