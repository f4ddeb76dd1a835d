/** A battery's label, from the text of its barcode or as typed from the print. */
import { RATING_STANDARDS } from '../battery/battery-words';
import type { Chemistry, RatingStandard } from '../battery/battery-words';
import type { NominalVolts } from '../quantities/nominal-volts';

export interface LabelText {
  readonly nominalVolts?: NominalVolts;
  readonly capacityAh?: number;
  readonly rating?: { readonly value: number; readonly standard: RatingStandard };
  readonly chemistry?: Chemistry;
}

const CHEMISTRY_WORDS: readonly (readonly [RegExp, Chemistry])[] = [
  [/\bAGM\b/i, 'agm'],
  [/\bEFB\b/i, 'efb'],
  [/\bGEL\b/i, 'gel'],
  [/\bTPPL\b/i, 'tppl'],
];
const STANDARD = `CCA|MCA|${RATING_STANDARDS.join('|')}`;
/** `640 A (EN)`, `640A EN`, `CCA 560`, `EN 640 A`: the amperes with the standard before or behind. */
const BEHIND = new RegExp(`(\\d{2,4})\\s*A?\\s*\\(?\\s*(${STANDARD})\\b`, 'i');
const BEFORE = new RegExp(`\\b(${STANDARD})\\b[\\s:)]*(\\d{2,4})\\s*A?\\b`, 'i');

/**
 * Finds what a label tells. What it does not tell is absent: an ampere figure without its standard is
 * left out, since CA, CCA and EN of one battery are different figures.
 */
export function readBatteryLabel(text: string): LabelText {
  const volts = /\b(6|12|24)\s*V\b/i.exec(text);
  const capacity = /\b(\d{1,3}(?:[.,]\d)?)\s*Ah\b/i.exec(text);
  const chemistry = CHEMISTRY_WORDS.find(([word]) => word.test(text))?.[1];
  const rating = ratingIn(text);
  return {
    ...(volts && { nominalVolts: Number(volts[1]) as NominalVolts }),
    ...(capacity && { capacityAh: Number(capacity[1]!.replace(',', '.')) }),
    ...(rating && { rating }),
    ...(chemistry && { chemistry }),
  };
}

function ratingIn(text: string): LabelText['rating'] {
  const behind = BEHIND.exec(text);
  const before = BEFORE.exec(text);
  const [amps, word] = behind ? [behind[1], behind[2]] : before ? [before[2], before[1]] : [];
  if (amps === undefined || word === undefined) return undefined;
  const standard = word.toUpperCase();
  return {
    value: Number(amps),
    standard: standard === 'CCA' ? 'SAE' : standard === 'MCA' ? 'CA' : (standard as RatingStandard),
  };
}
