/**
 * JSON bodies, bounded before anything is done with them: their bytes (unpacked), the values they hold, the fields of
 * one object. What is counted here is what later steps cost.
 */
import express from 'express';
import type { RequestHandler } from 'express';
import { JSON_TYPES } from './body';
import { cleanRequest } from './clean-body';

/** How large a body may be. */
export interface BodyLimits {
  /** Bytes, unpacked. */
  readonly maxBytes: number;
  /** Fields and entries of lists, at every depth. */
  readonly maxValues: number;
}

const KB = 1024;

/** Every kind of body that a route takes. Those of `sign-in` come from anybody, before a session is known. */
export const BODY_LIMITS = {
  'sign-in': { maxBytes: 8 * KB, maxValues: 100 },
  usual: { maxBytes: 128 * KB, maxValues: 4000 },
  /** What was found in a capture. */
  findings: { maxBytes: 512 * KB, maxValues: 20_000 },
  /** A whole visit in the open format. */
  case: { maxBytes: 640 * KB, maxValues: 16_000 },
} as const satisfies Readonly<Record<string, BodyLimits>>;

export type BodyKind = keyof typeof BODY_LIMITS;

/** Reads a JSON body, then cleans body, query and address. @param kindOf Tells the kind of body by the path. */
export function jsonBody(kindOf: (path: string) => BodyKind): RequestHandler[] {
  const readers = new Map(
    Object.entries(BODY_LIMITS).map(([kind, { maxBytes }]) => [
      kind,
      express.json({ limit: maxBytes, type: [...JSON_TYPES] }),
    ]),
  );
  return [
    (request, response, next) => readers.get(kindOf(request.path))!(request, response, next),
    (request, _response, next) => {
      cleanRequest(request, BODY_LIMITS[kindOf(request.path)].maxValues);
      next();
    },
  ];
}
