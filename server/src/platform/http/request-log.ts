/**
 * A line of the log for each answer: what was asked, from where, what was answered. Never headers, bodies or what
 * follows the path: they hold cookies, passwords and codes.
 */
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { RequestHandler } from 'express';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';

/** Asked every few seconds by whoever watches; nothing to note. */
const QUIET = new Set(['/api/health', '/api/ready', '/api/clock']);

export const requestLog = (log: Logger): RequestHandler =>
  pinoHttp({
    logger: log,
    wrapSerializers: false, // the package's own would be made first, headers and all
    serializers: {
      req: ({ id, method, url = '', socket }: IncomingMessage) => ({
        id,
        method,
        path: url.replace(/\?.*/s, ''),
        from: socket.remoteAddress,
      }),
      res: ({ statusCode }: ServerResponse) => ({ statusCode }),
    },
    autoLogging: { ignore: ({ url = '' }) => !url.startsWith('/api/') || QUIET.has(url) },
  });
