type Fields = Readonly<Record<string, unknown>>;

/**
 * The same content as `now`, made of the parts of `before` wherever the two are equal: what compares them afterwards
 * passes over such a part by one look. Both are as after a way through JSON.
 */
export function sharing<T>(now: T, before: unknown): T {
  if (Object.is(now, before)) return now;
  if (typeof now !== 'object' || now === null || typeof before !== 'object' || before === null) return now;
  if (Array.isArray(now) !== Array.isArray(before)) return now;
  return Array.isArray(now)
    ? (sharedList(now, before as readonly unknown[]) as T)
    : (sharedFields(now as Fields, before as Fields) as T);
}

function sharedList(now: readonly unknown[], before: readonly unknown[]): readonly unknown[] {
  let isSame = now.length === before.length;
  const shared = now.map((entry, at) => {
    const one = sharing(entry, before[at]);
    if (one !== before[at]) isSame = false;
    return one;
  });
  return isSame ? before : shared;
}

function sharedFields(now: Fields, before: Fields): Fields {
  const names = Object.keys(now);
  let isSame = names.length === Object.keys(before).length;
  const shared: Record<string, unknown> = {};
  for (const name of names) {
    const one = (shared[name] = sharing(now[name], before[name]));
    if (one !== before[name]) isSame = false;
  }
  return isSame ? before : shared;
}
