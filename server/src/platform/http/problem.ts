import type { Problem } from '@tetrad/contracts';

/** A refusal that is answered as RFC 9457 problem details. */
export class Refusal extends Error {
  /** @param retryAfterS When the same may be tried again, s; null where that is of no use. */
  constructor(
    readonly problem: Problem,
    readonly retryAfterS: number | null = null,
  ) {
    super(problem.detail);
  }
}

const TITLES: Readonly<Record<number, string>> = {
  400: 'Not understood',
  401: 'Not signed in',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed meanwhile',
  413: 'Too large',
  415: 'Not JSON',
  421: 'Not this server',
  422: 'Does not fit',
  429: 'Too often',
  500: 'Fault in the server',
  503: 'Not now',
};

/** @param kind Short name of the kind of problem, the end of its type. */
export function problem(status: number, kind: string, detail: string, errors?: Problem['errors']): Problem {
  return {
    type: `urn:tetrad:problem:${kind}`,
    title: TITLES[status] ?? 'Refused',
    status,
    detail,
    ...(errors && { errors }),
  };
}

export const notFound = (what: string, id: string): Refusal =>
  new Refusal(
    problem(404, 'not-found', `This shop has no ${what} ${id}.`, [
      { field: what, found: id, allowed: `a ${what} of this shop` },
    ]),
  );

/** Of an address that nobody answers at. */
export const noSuchAddress = ({
  method,
  originalUrl,
}: {
  readonly method: string;
  readonly originalUrl: string;
}): Problem => problem(404, 'no-such-address', `${method} ${originalUrl} is no address of this server.`);

/** Faults that one answer names; a body that is wrong throughout has thousands. */
const MAX_ERRORS = 100;

export function misfit(all: NonNullable<Problem['errors']>): Refusal {
  const more = all.length - MAX_ERRORS;
  const errors =
    more > 0
      ? [...all.slice(0, MAX_ERRORS), { field: 'body', found: `${more} more`, allowed: 'nothing that does not fit' }]
      : all;
  const detail = errors
    .map(({ field, found, allowed }) => `${field}: found ${found}, allowed is ${allowed}`)
    .join('; ');
  return new Refusal(problem(422, 'misfit', detail, errors));
}
