import type { Request, Response } from 'express';

/** Tells the address of the next page (RFC 8288): that of this one, from where it ended. */
export function tellNextPage(request: Request, response: Response, next: string | null): void {
  if (next === null) return;
  const query = new URLSearchParams({ ...(request.query as Record<string, string>), after: next });
  const path = request.originalUrl.split('?', 1)[0]!;
  // with quotes, which every reader takes; the package writes the word bare
  response.setHeader('Link', `<${path}?${query.toString()}>; rel="next"`);
}
