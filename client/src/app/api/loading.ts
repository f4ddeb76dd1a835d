import type { HttpErrorResponse } from '@angular/common/http';
import type { Problem } from '@tetrad/contracts';

/** Where a thing that comes from the server stands. */
export type Loading =
  { readonly state: 'idle' | 'loading' | 'loaded' } | { readonly state: 'failed'; readonly problem: Problem };

export const IDLE: Loading = { state: 'idle' };
export const LOADING: Loading = { state: 'loading' };
export const LOADED: Loading = { state: 'loaded' };

/** A failed request as a problem: the server's own words, or that it does not answer. */
export function problemOf(failure: HttpErrorResponse): Problem {
  const body: unknown = typeof failure.error === 'string' ? parsed(failure.error) : failure.error;
  if (typeof body === 'object' && body !== null && 'detail' in body) return body as Problem;
  return {
    type: 'urn:tetrad:problem:no-answer',
    title: 'No answer',
    status: failure.status,
    detail: 'The server does not answer. What you entered is kept on this device and sent when it is back.',
  };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** True where sending again may help: no answer, the server's own trouble, or nobody signed in just now. */
export const mayRetry = ({ status }: Pick<Problem, 'status'>): boolean =>
  status === 0 || status >= 500 || status === 429 || status === 401;
