import type { Request } from 'express';

const LOOPBACK = /^(?:127\.|::1$|::ffff:127\.)/;

/** Whether who asks is on this machine. Behind a proxy everybody would seem to be: then nobody is. */
export const isFromHere = (request: Request): boolean =>
  LOOPBACK.test(request.socket.remoteAddress ?? '') &&
  request.get('x-forwarded-for') === undefined &&
  request.get('forwarded') === undefined;
