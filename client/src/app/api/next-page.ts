import LinkHeader from 'http-link-header';

/**
 * The address of the page after this one.
 *
 * @param link The header `Link` of this page (RFC 8288); null where it has none.
 * @param limit Rows that the next page may have, however many this one had.
 * @returns null where this was the last.
 */
export function nextPage(link: string | null, limit: number): string | null {
  const address = link === null ? undefined : LinkHeader.parse(link).rel('next')[0]?.uri;
  if (address === undefined) return null;
  const [path, query] = address.split('?');
  const params = new URLSearchParams(query);
  params.set('limit', String(limit));
  return `${path}?${params.toString()}`;
}
