import { freezingCelsius } from '../../battery/state-of-charge';
import type { ObservationName } from '../../format/names';
import { OBSERVATIONS } from '../../trade/tables';
import type { Message } from '../../format/message';
import { observed } from '../../evidence/case-context';
import type { CaseContext } from '../../evidence/case-context';
import { message } from '../messages';

/** Why nothing may be tested now, or null. */
export function whyStop(context: CaseContext): { readonly says: Message; readonly replace: boolean } | null {
  for (const [about, finding] of context.observed) {
    const stop = OBSERVATIONS[about as ObservationName].stops?.[finding];
    if (stop) return stop;
  }
  const { charge, celsius, celsiusKnown } = context;
  const mayBeFrozen = charge !== null && celsiusKnown && celsius < freezingCelsius(charge);
  return mayBeFrozen && observed(context, 'battery-case') === undefined
    ? { says: message('may-be-frozen', { celsius }), replace: false }
    : null;
}
