import type { Request, Response } from 'express';
import LinkHeader from 'http-link-header';

/** Tells the address of the next page (RFC 8288): that of this one, from where it ended. */
export function tellNextPage(request: Request, response: Response, next: string | null): void {
  if (next === null) return;
  const query = new URLSearchParams({ ...(request.query as Record<string, string>), after: next });
  const path = request.originalUrl.split('?', 1)[0]!;
  const header = new LinkHeader();
  header.set({ uri: `${path}?${query.toString()}`, rel: 'next' });
  response.setHeader('Link', header.toString());
}
