/** A set with the entry put in, or taken out where it was in. */
export function toggled<T>(before: ReadonlySet<T>, entry: T): ReadonlySet<T> {
  const after = new Set(before);
  if (!after.delete(entry)) after.add(entry);
  return after;
}
