/** Which of several records of an engine or a model a vehicle’s name speaks of. */

/** Letters and figures, in small letters; a decimal comma is a point. */
const wordsOf = (text: string): readonly string[] =>
  (text.toLowerCase().match(/\d+[.,]\d+|[\p{L}\p{N}]+/gu) ?? []).map((word) => word.replace(',', '.'));

/**
 * The record of which every word stands in the vehicle’s name: “2.0 diesel” in “Utility van 2.0 diesel”. Of several the one with
 * the most words; null where there is none.
 *
 * @param name The vehicle’s name as it is typed.
 */
export function namedLike<Entry extends { readonly name: string }>(
  name: string,
  entries: readonly Entry[],
): Entry | null {
  const words = new Set(wordsOf(name));
  const fitting = entries.flatMap((entry) => {
    const own = wordsOf(entry.name);
    return own.length > 0 && own.every((word) => words.has(word)) ? [{ entry, words: own.length }] : [];
  });
  return fitting.sort((a, b) => b.words - a.words)[0]?.entry ?? null;
}
