/** The next page, in the header of RFC 8288. */
const NEXT = /<([^>]+)>; rel="next"/;

/**
 * The address of the page after this one.
 *
 * @param link The header `Link` of this page; null where it has none.
 * @param limit Rows that the next page may have, however many this one had.
 * @returns null where this was the last.
 */
export function nextPage(link: string | null, limit: number): string | null {
  const address = NEXT.exec(link ?? '')?.[1];
  if (address === undefined) return null;
  const [path, query] = address.split('?');
  const params = new URLSearchParams(query);
  params.set('limit', String(limit));
  return `${path}?${params.toString()}`;
}
