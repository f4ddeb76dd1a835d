import type { Reading } from '../../format/reading-shape';
import type { Message } from '../../format/message';
import { isNumeric } from '../case-context';
import type { CaseContext, NumericReading } from '../case-context';
import type { Comparison } from '../compare-with-limits';

/** How the reading would stand to its limits if nothing made it void; worked out when it is asked for. */
export type Compared = () => Comparison | null;

/** Looks at one reading beside the others and says why it may not be judged, or null. */
export type VoidRule = (reading: Reading, context: CaseContext, compared: Compared) => Message | null;

/** A rule about a plain figure: nothing to say of a list, of OL, or of what was not possible. */
export const ofFigure =
  (rule: (reading: NumericReading, context: CaseContext, compared: Compared) => Message | null): VoidRule =>
  (reading, context, compared) =>
    isNumeric(reading) ? rule(reading, context, compared) : null;
