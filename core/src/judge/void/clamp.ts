import { ofFigure } from './void-rule';
import type { VoidRule } from './void-rule';

/** From this share of its ceiling on a clamp shows its ceiling and not the current. */
const AT_CEILING = 0.97;

/** Amps at the ceiling of the clamp are the clamp's, not the starter's. */
export const clampSaturated: VoidRule = ofFigure(({ value, conditions }) => {
  const ceiling = conditions?.clampCeilingAmps;
  return ceiling !== undefined && value >= ceiling * AT_CEILING
    ? { code: 'clamp-saturated', with: { value, ceiling } }
    : null;
});
