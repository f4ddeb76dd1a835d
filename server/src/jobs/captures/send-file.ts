import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { actor } from '../../people/who';
import { shopParam } from '../../platform/http/body';
import { Refusal, problem } from '../../platform/http/problem';
import { captureOf } from './capture-of-request';
import { storedBytes } from '../../captures/captures.sql';
import type { CaptureRoute } from './capture-route';

/** Gives a file back as it was; it is fetched piece by piece as the reader takes it. */
export const sendFile: CaptureRoute<'getCaptureFile'> = (pool) => async (request, response) => {
  const shop = shopParam(request);
  const capture = await captureOf(pool, request);
  if (capture.stored !== capture.bytes)
    throw new Refusal(problem(409, 'not-whole', `Only ${capture.stored} of ${capture.bytes} bytes are stored so far.`));
  await addAuditEntry(pool, {
    what: 'capture-exported',
    ...actor(request),
    about: capture.job,
    detail: { capture: capture.id },
  });
  response.attachment(capture.name);
  response.type('application/octet-stream');
  response.setHeader('Content-Length', String(capture.bytes));
  await pipeline(Readable.from(storedBytes(pool, shop, capture)), response);
};
