/**
 * The vehicle identification number.
 *
 * ISO 3779 gives 17 characters without I, O and Q. The check digit at position 9 and the letter of
 * the model year at position 10 are of 49 CFR 565 and ISO 3779's North American use; elsewhere
 * position 9 may hold anything, so a digit that does not match is a reason to look again, not an error.
 */
const VALUES: Readonly<Record<string, number>> = Object.fromEntries([
  ...[...'0123456789'].map((digit) => [digit, Number(digit)] as const),
  ...[...'ABCDEFGH'].map((letter, index) => [letter, index + 1] as const),
  ...[...'JKLMN'].map((letter, index) => [letter, index + 1] as const),
  ['P', 7] as const,
  ['R', 9] as const,
  ...[...'STUVWXYZ'].map((letter, index) => [letter, index + 2] as const),
]);
/** Weights by position, 49 CFR 565.15, table V. */
const WEIGHTS = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2] as const;
const LENGTH = 17;
const CHECK_AT = 8;
/** Letters of the model year in their order; the cycle of 30 years began in 1980. */
const YEAR_LETTERS = 'ABCDEFGHJKLMNPRSTVWXY123456789';
const YEAR_AT = 9;

export type VinResult =
  | { readonly ok: false; readonly problem: string }
  | {
      readonly ok: true;
      readonly vin: string;
      /** False where position 9 is not the check digit: misread, or a maker that does not use it. */
      readonly checkDigitFits: boolean;
      readonly checkDigit: string;
      /** The newest model year its letter may mean that is not after `thisYear + 1`, where the digit fits. */
      readonly year: number | null;
    };

/** The check digit of 17 characters: 0 to 9 or X. */
function checkDigitOf(vin: string): string {
  const sum = [...vin].reduce((total, letter, index) => total + VALUES[letter]! * WEIGHTS[index]!, 0);
  const rest = sum % 11;
  return rest === 10 ? 'X' : String(rest);
}

/**
 * Reads a VIN as typed or scanned: spaces and hyphens are dropped, letters made capital, a leading
 * `I` of a Code 39 import label is dropped.
 *
 * @param thisYear The calendar year, so that the model year's cycle can be told.
 */
export function readVin(typed: string, thisYear: number): VinResult {
  const bare = typed.toUpperCase().replace(/[\s*-]/g, '');
  const vin = bare.length === LENGTH + 1 && bare.startsWith('I') ? bare.slice(1) : bare;
  const wrong = [...vin].find((letter) => VALUES[letter] === undefined);
  if (wrong !== undefined)
    return { ok: false, problem: `“${wrong}” is in no VIN: allowed are digits and letters without I, O and Q.` };
  if (vin.length !== LENGTH) return { ok: false, problem: `A VIN has ${LENGTH} characters, this has ${vin.length}.` };
  const checkDigit = checkDigitOf(vin);
  const checkDigitFits = vin[CHECK_AT] === checkDigit;
  return { ok: true, vin, checkDigit, checkDigitFits, year: checkDigitFits ? modelYear(vin, thisYear) : null };
}

function modelYear(vin: string, thisYear: number): number | null {
  const at = YEAR_LETTERS.indexOf(vin[YEAR_AT]!);
  if (at < 0) return null;
  let year = 1980 + at;
  while (year + YEAR_LETTERS.length <= thisYear + 1) year += YEAR_LETTERS.length;
  return year;
}
