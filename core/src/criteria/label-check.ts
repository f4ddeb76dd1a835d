/**
 * A battery's label against itself and against the engine: a figure far outside either means that the wrong line
 * or the wrong standard was copied, and no health figure means anything until the label is confirmed.
 */
import { batteryCca } from '../battery/rating';
import type { Case } from '../format/case-shape';
import type { Chemistry } from '../format/words';
import { messages } from '../format/message';
import type { Message } from '../format/message';
import type { RatingStandard } from '../battery/battery-words';

/** Usual SAE CCA per ampere hour is 7 to 12, of thin plates up to 15; doubted beyond these (docs/criteria.md). */
const PER_AH: Readonly<Record<Chemistry, readonly [number, number]>> = {
  flooded: [5.8, 13.2],
  efb: [5.8, 13.2],
  gel: [5, 13.2],
  agm: [5.8, 15.5],
  tppl: [5.8, 17],
};
/** The thick plates of a large battery give less for each ampere hour. */
const LARGE_AH = 120;
const LARGE_LEAST = 4.5;
/** Usual SAE CCA per litre is 200 to 400 of petrol engines (small ones more), 250 to 500 of diesels; doubted beyond. */
const PER_LITRE = { petrol: [110, 800], diesel: [140, 900] } as const;
const SMALL_LITRES = 1.2;

interface DoubtedLabel {
  readonly value: number;
  readonly standard: RatingStandard;
  readonly cca: number;
}
/** Why a label is doubted; the sentences are in `words/en`. */
export interface LabelMessages {
  readonly 'label-too-strong': DoubtedLabel & { readonly capacityAh: number; readonly perAh: number };
  readonly 'label-too-weak': DoubtedLabel & { readonly capacityAh: number; readonly perAh: number };
  readonly 'label-against-engine': DoubtedLabel & { readonly litres: number; readonly perLitre: number };
}
const message = messages<LabelMessages>();

/** @returns why the label is doubted, or null where it is silent, plausible or confirmed. */
export function labelDoubt({ battery, engine, nominalVolts }: Case['system']): Message | null {
  const { rating, capacityAh, chemistry } = battery;
  const cca = batteryCca(battery);
  if (!rating || cca === null || rating.confirmed === true) return null;
  const figures = { value: rating.value, standard: rating.standard, cca };
  if (capacityAh !== undefined) {
    const perAh = cca / capacityAh;
    const [usual, most] = PER_AH[chemistry];
    const least = capacityAh >= LARGE_AH ? Math.min(usual, LARGE_LEAST) : usual;
    if (perAh > most) return message('label-too-strong', { ...figures, capacityAh, perAh });
    if (perAh < least) return message('label-too-weak', { ...figures, capacityAh, perAh });
  }
  const litres = engine?.displacementLitres;
  if (litres === undefined || nominalVolts !== 12 || (battery.count ?? 1) > 1) return null;
  const [least, most] = PER_LITRE[engine?.fuel ?? 'petrol'];
  const perLitre = cca / litres;
  if (perLitre < least || (perLitre > most && litres > SMALL_LITRES))
    return message('label-against-engine', { ...figures, litres, perLitre });
  return null;
}
