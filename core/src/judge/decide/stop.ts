import { freezingCelsius } from '../../battery/state-of-charge';
import type { ObservationName } from '../../format/names';
import { OBSERVATIONS } from '../../trade/tables';
import type { Said } from '../../words/phrases';
import { observed } from '../situation';
import type { Sight } from '../situation';

/** Why nothing may be tested now, or null. */
export function whyStop(sight: Sight): { readonly says: Said; readonly replace: boolean } | null {
  for (const [about, finding] of sight.observed) {
    const stop = OBSERVATIONS[about as ObservationName].stops?.[finding];
    if (stop) return stop;
  }
  const { charge, celsius, celsiusKnown } = sight;
  const mayBeFrozen = charge !== null && celsiusKnown && celsius < freezingCelsius(charge);
  return mayBeFrozen && observed(sight, 'battery-case') === undefined
    ? { says: { code: 'may-be-frozen', with: { celsius } }, replace: false }
    : null;
}
