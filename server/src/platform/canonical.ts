/**
 * The same content as after a way through JSON, with the fields of every object in order of their names: whatever way it
 * was made, its JSON is the same. What is undefined is left out; a number that JSON does not have is null, as there.
 */
export function ordered<T>(value: T): T {
  if (typeof value === 'number') return (Number.isFinite(value) ? value : null) as T;
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map((entry: unknown) => (entry === undefined ? null : ordered(entry))) as T;
  const fields = value as Readonly<Record<string, unknown>>;
  const inOrder: Record<string, unknown> = {};
  for (const name of Object.keys(fields).sort()) {
    const entry = fields[name];
    if (entry !== undefined) inOrder[name] = ordered(entry);
  }
  return inOrder as T;
}

/** The JSON of it in that order. */
export const canonical = (value: unknown): string => JSON.stringify(ordered(value));
