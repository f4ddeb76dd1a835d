import { randomUUID } from 'node:crypto';
import type { ErrorRequestHandler, Response } from 'express';
import type { Problem } from '@tetrad/contracts';
import { brokenJson } from '@tetrad/core';
import { isUnavailable, isBusy } from '../database/unavailable';
import { whatIsStored } from '../database/what-is-stored';
import { Refusal, problem } from './problem';

/** A database that is away or busy is asked again after this, s. */
const AGAIN_S = 2;

/** SQLSTATE of a full disk, of a row that is there already, and of values that a column cannot hold: out of range, too long, no text, too large. */
const DISK_FULL = '53100';
const UNIQUE_VIOLATION = '23505';
const DATA_EXCEPTION = /^(?:22|54)/;
/** What the unpacking of a body says of bytes that were never packed so. */
const BROKEN_PACKING = /^(?:Z_|ERR_.*BROTLI|ERR__ERROR_)/;

interface BodyError extends Error {
  /** Of what Express, its body reader and its file sender refuse themselves. */
  readonly status?: number;
  readonly type?: string;
  /** SQLSTATE. */
  readonly code?: string;
  /** Of a body that is no JSON: its text. */
  readonly body?: string;
  readonly limit?: number;
  readonly length?: number;
}

export function sendProblem(response: Response, given: Problem): void {
  response.status(given.status).type('application/problem+json').send(JSON.stringify(given));
}

/** Every failure becomes a problem document; a stack goes to the log and never to the client. */
export const onError: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) return next(error);
  const found = toProblem(error);
  if (found) {
    const after = error instanceof Refusal ? error.retryAfterS : found.status === 503 ? AGAIN_S : null;
    if (after !== null) response.setHeader('Retry-After', String(after));
    return sendProblem(response, found);
  }
  const incident = randomUUID();
  request.log?.error({ err: error, incident }, 'unexpected failure');
  sendProblem(
    response,
    problem(500, 'fault', `Something failed in the server; it is in the log as ${incident}. ${whatIsStored()}.`),
  );
};

function toProblem(error: unknown): Problem | null {
  if (error instanceof Refusal) return error.problem;
  const { type, limit, length, message, status, body, code = '' } = error as BodyError;
  if (code === DISK_FULL)
    return problem(503, 'disk-full', `The disk of the database is full. ${whatIsStored()}; free some space.`);
  if (isUnavailable(error))
    return problem(503, 'database-away', `The database does not answer. ${whatIsStored()}; try again in a moment.`);
  if (isBusy(error))
    return problem(503, 'busy', `This is being changed by others just now. ${whatIsStored()}; try again in a moment.`);
  if (code === UNIQUE_VIOLATION)
    return problem(409, 'taken', `Somebody else has stored the same just now. ${whatIsStored()}; look again.`);
  if (DATA_EXCEPTION.test(code))
    return problem(422, 'misfit', `The database cannot hold this: ${message}. ${whatIsStored()}.`);
  if (BROKEN_PACKING.test(code))
    return problem(400, 'broken-packing', `The body cannot be unpacked: ${message}. Nothing was stored.`);
  switch (type) {
    case 'entity.too.large':
      return problem(413, 'too-large', `The body has ${length ?? 'more'} bytes; at most ${limit} are allowed.`);
    case 'entity.parse.failed':
      return problem(400, 'broken-json', `The body is no JSON: ${brokenJson(body ?? '')}. Nothing was stored.`);
    case 'charset.unsupported':
    case 'encoding.unsupported':
      return problem(415, 'not-json', `${message}; allowed is JSON in UTF-8.`);
    case 'request.aborted':
      return problem(400, 'aborted', 'The request ended before its body did.');
    default:
      if (error instanceof URIError) return problem(400, 'broken-address', 'The address holds a broken % escape.');
      return status !== undefined && status >= 400 && status < 500
        ? problem(status, 'not-understood', `${message || 'This was not understood'}.`)
        : null;
  }
}
