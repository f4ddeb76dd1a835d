import type { Reading } from '../../format/case-shape';
import type { ResolvedLimit } from '../../judge/grade/assessment';
import type { NumericReading, Sight } from '../../judge/situation';
import type { PhraseTable } from '../../words/phrases';

/** What a rule makes of a reading; what it leaves out is the reading itself, in its own unit. */
export type RuleFigures = Partial<Pick<ResolvedLimit, 'value' | 'min' | 'max' | 'perUnit' | 'drawn'>> &
  Pick<ResolvedLimit, 'bound'>;

/** A kind of limit: how its figures become an allowed range for one reading. */
export interface Rule<F> {
  /**
   * Brings the borderline zone to this reading; without it the zone is as the set has it. Zones in volts are of
   * a 12 V system and scale with nominal volts.
   */
  readonly zone?: (borderline: number, made: RuleFigures, reading: Reading, sight: Sight) => number;
  /** @returns null where the case lacks what the rule needs, so that the reading is only noted. */
  readonly resolve: (figures: F, reading: NumericReading, sight: Sight) => RuleFigures | null;
  /** For a test whose value is a list. */
  readonly resolveList?: (figures: F, values: readonly number[], reading: Reading) => RuleFigures | null;
  /** For a meter that shows OL; without it such a reading is only noted. */
  readonly resolveOpen?: (figures: F, reading: Reading, sight: Sight) => RuleFigures | null;
  readonly phrases: PhraseTable;
}

/** A range in the reading's own unit; an end that is not given is open. */
export const openRange = ({ min = -Infinity, max = Infinity }: { readonly min?: number; readonly max?: number }) => ({
  min,
  max,
});

/** A zone in volts of a 12 V system. */
export const scaledZone = (borderline: number, _made: RuleFigures, _reading: Reading, { scale }: Sight): number =>
  borderline * scale;
