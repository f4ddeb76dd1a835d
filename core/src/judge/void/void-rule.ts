import type { Reading } from '../../format/case-shape';
import type { NumericReading, Sight } from '../situation';
import { isNumeric } from '../situation';
import type { Said } from '../../words/phrases';

/** Sees one reading beside the others and says why it may not be judged, or null. */
export type VoidRule = (reading: Reading, sight: Sight) => Said | null;

/** A rule about a plain figure: nothing to say of a list, of OL, or of what was not possible. */
export const ofFigure =
  (rule: (reading: NumericReading, sight: Sight) => Said | null): VoidRule =>
  (reading, sight) =>
    isNumeric(reading) ? rule(reading, sight) : null;
