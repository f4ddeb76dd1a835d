/** Works something out when it is first asked for, and once. */
export function once<T>(work: () => T): () => T {
  let result: { readonly value: T } | null = null;
  return () => (result ??= { value: work() }).value;
}
