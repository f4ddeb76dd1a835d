import helmet from 'helmet';
import type { RequestHandler } from 'express';

const YEAR_S = 31_536_000;
const onlyByTls = helmet.strictTransportSecurity({ maxAge: YEAR_S, includeSubDomains: false });

/** Where it is served by TLS, browsers come back by TLS; in a workshop without it they are left alone. */
export const stayOnTls: RequestHandler = (request, response, next) =>
  request.secure ? onlyByTls(request, response, next) : next();

/** The strict content policy: everything from this origin, nothing inline but component styles. */
export const security = (): RequestHandler =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        'default-src': ["'none'"],
        'script-src': ["'self'"],
        'style-src-elem': ["'self'", "'unsafe-inline'"],
        'style-src-attr': ["'none'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'"],
        'connect-src': ["'self'"],
        'worker-src': ["'self'"],
        'manifest-src': ["'self'"],
        'base-uri': ["'self'"],
        'form-action': ["'none'"],
        'object-src': ["'none'"],
        'frame-ancestors': ["'none'"],
        'require-trusted-types-for': ["'script'"],
        'trusted-types': ['angular', 'angular#bundler', 'default'],
      },
    },
    strictTransportSecurity: false, // see `stayOnTls`
  });
