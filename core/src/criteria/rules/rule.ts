import type { Message, PhraseTable } from '../../format/message';
import type { TestName } from '../../format/names';
import type { LimitInput } from '../limit-input';

/** What a rule makes of a reading; what it leaves out is the reading itself, in its own unit. */
export interface RuleFigures {
  /** The figure compared: the reading itself, or what the rule makes of it (a share, a spread, a loss). */
  readonly value?: number;
  /** Lowest and highest allowed figure; infinite where there is none. */
  readonly min?: number;
  readonly max?: number;
  /** How many units of the figure one unit of the reading is: brings the reading's uncertainty along. */
  readonly perUnit?: number;
  /** The limit as a message. */
  readonly bound: Message;
  /** Of a reading that is neither good nor bad by the rule itself: how wide that zone is, in the figure's unit, and why. */
  readonly near?: { readonly width: number; readonly because: Message };
  /** The range in the reading's own unit, for drawing beside it; null where it cannot be drawn. */
  readonly drawn?: { readonly min: number; readonly max: number } | null;
}

/** One figure of a kind of limit, as it is entered: its name, its unit, and what it may be at all. */
export interface RuleField {
  readonly name: string;
  /** `test` is the unit of the limit's test; a share is of one. */
  readonly unit: 'V' | 'A' | 'SG' | 'min' | 'share' | 'test' | '';
  readonly min: number;
  readonly max: number;
  readonly isOptional?: boolean;
}

/** A kind of limit: how its figures become an allowed range for one reading. */
export interface Rule<F> {
  /** The tests whose readings have what it needs; absent: every test. */
  readonly tests?: readonly TestName[];
  /** Its figures; the points of a floor by temperature are a list of pairs [°C, figure]. */
  readonly fields: { readonly [K in keyof F]-?: RuleField };
  /**
   * Brings the borderline zone to this reading; without it the zone is as the set has it. Zones in volts are of
   * a 12 V system and scale with nominal volts.
   */
  readonly zone?: (borderline: number, made: RuleFigures, input: LimitInput) => number;
  /** @returns null where the case lacks what the rule needs, so that the reading is only noted. */
  readonly resolve: (figures: F, value: number, input: LimitInput) => RuleFigures | null;
  /** For a test whose value is a list. */
  readonly resolveList?: (figures: F, values: readonly number[], input: LimitInput) => RuleFigures | null;
  /** For a meter that shows OL; without it such a reading is only noted. */
  readonly resolveOpen?: (figures: F, input: LimitInput) => RuleFigures | null;
  readonly phrases: PhraseTable;
}

/** A range in the reading's own unit; an end that is not given is open. */
export const openRange = ({ min = -Infinity, max = Infinity }: { readonly min?: number; readonly max?: number }) => ({
  min,
  max,
});

/** A zone in volts of a 12 V system. @param borderline Width of the zone, V at 12 V nominal. */
export const scaledZone = (borderline: number, _made: RuleFigures, { scale }: LimitInput): number => borderline * scale;
