import { restingCelsius, restingVolts } from '../../battery/state-of-charge';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import type { Rule } from './rule';

/** At least the resting voltage of this state of charge, by chemistry and temperature. */
export interface ChargeFloor {
  readonly minShare: number;
}

const phrases = {
  'charge-floor': ({ min, share }: { min: number; share: number }, voice: Voice) =>
    `at least ${voice.volts(min)} (${voice.share(share)} charged)`,
};
const say = sayer(phrases);

export const charge: Rule<ChargeFloor> = {
  tests: ['resting-voltage'],
  fields: {
    minShare: { name: 'State of charge at least', unit: 'share', min: 0, max: 1 },
  },
  phrases,
  resolve({ minShare }, _value, input) {
    const { nominalVolts, battery } = input.system;
    const min = restingVolts(minShare, battery.chemistry, nominalVolts, restingCelsius(input));
    return { min, drawn: { min, max: Infinity }, bound: say('charge-floor', { min, share: minShare }) };
  },
};
