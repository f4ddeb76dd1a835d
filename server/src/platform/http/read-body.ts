/**
 * Bodies, bounded before anything is done with them: their bytes (unpacked), the values they hold, the fields of
 * one object. What is counted here is what later steps cost.
 */
import express from 'express';
import type { RequestHandler } from 'express';
import { CAPTURE_PIECE_BYTES } from '@tetrad/contracts';
import type { BodyKind } from '@tetrad/contracts/operations';
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
  /** A piece of a recorded file. */
  bytes: { maxBytes: CAPTURE_PIECE_BYTES, maxValues: 0 },
} as const satisfies Readonly<Record<BodyKind, BodyLimits>>;

/** Reads a JSON body, or one of bytes as it is, then cleans body, query and address. */
export function readBody(kind: BodyKind): RequestHandler[] {
  const { maxBytes, maxValues } = BODY_LIMITS[kind];
  return [
    kind === 'bytes'
      ? express.raw({ limit: maxBytes, type: 'application/octet-stream' })
      : express.json({ limit: maxBytes, type: [...JSON_TYPES] }),
    (request, _response, next) => {
      cleanRequest(request, maxValues);
      next();
    },
  ];
}
