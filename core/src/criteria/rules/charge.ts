import { restingVolts } from '../../battery/state-of-charge';
import { sayer } from '../../words/phrases';
import type { Voice } from '../../words/phrases';
import type { Rule } from './rule';

/** At least the resting voltage of this state of charge, by chemistry and temperature. */
export interface ChargeFloor {
  readonly minShare: number;
}

/** Temperature at which the table of resting volts holds, °C. */
const TABLE_CELSIUS = 25;

const phrases = {
  'charge-floor': ({ min, share }: { min: number; share: number }, voice: Voice) =>
    `at least ${voice.volts(min)} (${voice.share(share)} charged)`,
};
const say = sayer(phrases);

export const charge: Rule<ChargeFloor> = {
  phrases,
  resolve({ minShare }, _reading, { case: { system }, celsius, celsiusKnown }) {
    const at = celsiusKnown ? celsius : TABLE_CELSIUS;
    const min = restingVolts(minShare, system.battery.chemistry, system.nominalVolts, at);
    return { min, drawn: { min, max: Infinity }, bound: say('charge-floor', { min, share: minShare }) };
  },
};
