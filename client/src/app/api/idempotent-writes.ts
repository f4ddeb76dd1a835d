import { HttpErrorResponse } from '@angular/common/http';
import type { HttpInterceptorFn } from '@angular/common/http';
import { retry, throwError, timer } from 'rxjs';
import { newId } from '../device/new-id';

const WRITES = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);
const TRIES = 2;
const PAUSE_MS = 800;
/** The answer was lost, or the server could not do it now: the same may be asked again. */
const MAY_BE_ASKED_AGAIN = new Set([0, 502, 503, 504]);

const IDEMPOTENCY_KEY = 'Idempotency-Key';

/** The header that names a write (IETF HTTPAPI draft); its value is a quoted string. */
export const idempotencyHeader = (id: string): Record<string, string> => ({ [IDEMPOTENCY_KEY]: `"${id}"` });

/**
 * Every write of a shop carries an id, so that the same may be sent again: it is done once, whatever became of the first
 * answer. What the outbox sends has an id already, and waits by itself.
 */
export const idempotentWrites: HttpInterceptorFn = (request, next) => {
  const isWrite = WRITES.has(request.method) && request.url.startsWith('/api/shops/');
  if (!isWrite || request.headers.has(IDEMPOTENCY_KEY) || !isJson(request.body)) return next(request);
  return next(request.clone({ setHeaders: idempotencyHeader(newId()) })).pipe(
    retry({
      count: TRIES,
      delay: (failure: unknown, tries) =>
        failure instanceof HttpErrorResponse && MAY_BE_ASKED_AGAIN.has(failure.status)
          ? timer(PAUSE_MS * tries)
          : throwError(() => failure),
    }),
  );
};

/** The pieces of a capture are numbered, and sent again by whoever sends them. */
const isJson = (body: unknown): boolean =>
  !(body instanceof Blob || body instanceof ArrayBuffer || ArrayBuffer.isView(body));
