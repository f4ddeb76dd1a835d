/** Numbers as instruments write them: NR1, NR2 and NR3 of IEEE 488.2-1992 (8.7.2 to 8.7.4), and what SCPI-1999 (7.2.1) says with them. */

/** An answer that should be a number. */
export type ScpiNumber =
  | { readonly state: 'value'; readonly value: number; /** Step of the last digit. */ readonly resolution: number }
  | { readonly state: 'over-range' }
  | { readonly state: 'not-a-number' }
  | { readonly state: 'garbage' };

const FORM = /^\s*([+-]?)(\d+)(?:\.(\d*))?(?:[eE]([+-]?\d{1,3}))?\s*$/;
/** SCPI-1999, 7.2.1.4 and 7.2.1.5: infinity and not a number. */
const INFINITY = 9.9e37;
const NOT_A_NUMBER = 9.91e37;

/** @param line One line without its end; never throws. */
export function parseScpiNumber(line: string): ScpiNumber {
  const found = FORM.exec(line);
  if (!found) return { state: 'garbage' };
  const value = Number(line);
  if (!Number.isFinite(value)) return { state: 'garbage' };
  if (value === NOT_A_NUMBER) return { state: 'not-a-number' };
  if (Math.abs(value) === INFINITY) return { state: 'over-range' };
  const [, , , decimals = '', exponent = '0'] = found;
  return { state: 'value', value, resolution: Number(`1e${Number(exponent) - decimals.length}`) };
}
