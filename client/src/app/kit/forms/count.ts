/**
 * A count as a body is sent it: the whole number that a text means. A text that means none is sent as it is, so that
 * the rule of that body names it ("12,000" is no 12).
 *
 * @returns undefined for an empty text.
 */
export function countOf(typed: string): number | string | undefined {
  const text = typed.trim();
  if (text === '') return undefined;
  return /^\d+$/.test(text) ? Number(text) : text;
}
