/** What a name may tell of an engine. */
export interface NamedEngine {
  readonly fuel?: 'petrol' | 'diesel';
  readonly displacementLitres?: number;
  readonly cylinders?: number;
}

/** Engines of this size have mostly so many cylinders: a guess to be confirmed, never a fact. */
const USUAL_CYLINDERS = [
  { upToLitres: 1.2, cylinders: 3 },
  { upToLitres: 2.5, cylinders: 4 },
  { upToLitres: 4, cylinders: 6 },
  { upToLitres: Infinity, cylinders: 8 },
] as const;
/** Smaller and larger engines are not in a road vehicle's name, litres. */
const LITRES = { min: 0.6, max: 16 } as const;

/**
 * What a vehicle's name tells of its engine: “utility van 2.0 diesel”. It is offered and confirmed, and no reading is judged by
 * it before.
 *
 * @returns what could be read; empty where the name tells nothing.
 */
export function engineFromName(name: string): NamedEngine {
  const fuel = /\bdiesel\b/i.test(name) ? 'diesel' : /\b(petrol|gasoline)\b/i.test(name) ? 'petrol' : undefined;
  const told = /(?<![\d.,])(\d{1,2}[.,]\d)(?![\d.,])/.exec(name)?.[1];
  const litres = told === undefined ? NaN : Number(told.replace(',', '.'));
  const isLitres = litres >= LITRES.min && litres <= LITRES.max;
  return {
    ...(fuel && { fuel }),
    ...(isLitres && {
      displacementLitres: litres,
      cylinders: USUAL_CYLINDERS.find(({ upToLitres }) => litres <= upToLitres)!.cylinders,
    }),
  };
}
