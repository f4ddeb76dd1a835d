/** The same text for the same content, whatever the order of its fields. */
export const canonical = (value: unknown): string =>
  JSON.stringify(value, (_name, entry: unknown) =>
    typeof entry === 'object' && entry !== null && !Array.isArray(entry)
      ? Object.fromEntries(Object.entries(entry).sort(([a], [b]) => (a < b ? -1 : 1)))
      : entry,
  );
