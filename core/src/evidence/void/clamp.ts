import type { Reading } from '../../format/reading-shape';
import { message } from '../messages';
import { ofFigure } from './void-rule';
import type { VoidRule } from './void-rule';

/** From this share of its ceiling on a clamp shows its ceiling and not the current. */
const AT_CEILING = 0.97;

/** Where a clamp shows its ceiling, that ceiling in A; null where it shows the current. */
export function ceilingShown({ value, conditions }: Reading): number | null {
  const ceiling = conditions?.clampCeilingAmps;
  return ceiling !== undefined && typeof value === 'number' && value >= ceiling * AT_CEILING ? ceiling : null;
}

/** Amps at the ceiling of the clamp are the clamp's, not the starter's. */
export const clampSaturated: VoidRule = ofFigure((reading) => {
  const ceiling = ceilingShown(reading);
  return ceiling === null ? null : message('clamp-saturated', { value: reading.value, ceiling });
});
