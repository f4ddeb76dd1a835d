import helmet from 'helmet';
import type { RequestHandler } from 'express';

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
    strictTransportSecurity: false, // served over plain HTTP in the workshop
  });
