import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import type { Rule } from './rule';

/** A resistance of at most this many volts (12 V) per CCA: ohms × CCA. */
export interface OhmsTimesCca {
  readonly max: number;
}

const phrases = {
  'ohms-times-cca': ({ max, volts }: { max: number; volts: number }, voice: Voice) =>
    `at most ${voice.ohms(max)} (${voice.plain(volts, 1)} V per CCA)`,
};
const say = sayer(phrases);

export const ohmsTimesCca: Rule<OhmsTimesCca> = {
  tests: ['internal-resistance'],
  fields: {
    max: { name: 'Volts per CCA, at most', unit: 'V', min: 0.5, max: 20 },
  },
  phrases,
  resolve({ max: warm }, value, { packCca, scale, isLabelDoubted, conditions, temperatureFactor }) {
    if (packCca === null || isLabelDoubted) return null;
    // some testers ask for the temperature, and bring the figure to 21 °C themselves
    const volts = warm * (conditions.temperatureCorrected ? 1 : temperatureFactor);
    const perOhm = packCca / scale;
    const max = volts / perOhm;
    return {
      value: value * perOhm,
      max: volts,
      perUnit: perOhm,
      drawn: { min: -Infinity, max },
      bound: say('ohms-times-cca', { max, volts }),
    };
  },
};
