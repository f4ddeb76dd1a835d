import type { Chemistry } from '../../battery/battery-words';
import type { System } from '../../format/case-shape';
import type { FigureFormat } from '../../quantities/figure-format';

/** Chemistries as labels have them, inside a sentence. */
export const CHEMISTRY_WORDS: Readonly<Record<Chemistry, string>> = {
  flooded: 'flooded',
  efb: 'EFB',
  agm: 'AGM',
  gel: 'gel',
  tppl: 'thin-plate pure lead',
};

/**
 * What is known of the battery, in the order of its label.
 *
 * @returns phrases: “12 V flooded”, “560 A SAE”; a rating that nobody told is said to be unknown.
 */
export function batteryLabelWords({ nominalVolts, battery }: System, figures: FigureFormat): readonly string[] {
  const { chemistry, rating, count = 1, arrangement } = battery;
  return [
    `${nominalVolts} V ${CHEMISTRY_WORDS[chemistry]}`,
    ...(count > 1 ? [`${count} in ${arrangement === 'series' ? 'series' : 'parallel'}`] : []),
    rating ? `${figures.plain(rating.value, 0)} A ${rating.standard}` : 'rating not known',
  ];
}
