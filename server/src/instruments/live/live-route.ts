import { Router } from 'express';
import { INSTRUMENT_FUNCTION_NAMES, instrumentAddress } from '@tetrad/core';
import { uuidParam, shopParam } from '../../platform/http/body';
import { misfit, notFound } from '../../platform/http/problem';
import { openEventStream } from '../../platform/live/event-stream';
import type { OpenStreams } from '../../platform/live/open-streams';
import type { Pool } from '../../platform/database/pool';
import { followSession } from '../../people/follow-session';
import { SessionStore } from '../../people/session-store';
import { permit } from '../../people/who';
import { shopSettings } from '../../shops/shops.sql';
import { listInstruments } from '../instruments.sql';
import type { LiveInstruments } from './live-instruments';

/** The value of an instrument as it comes, for as long as somebody listens: `?use=volts-dc`. */
export function liveInstrumentRoute(pool: Pool, live: LiveInstruments, streams: OpenStreams): Router {
  const router = Router({ mergeParams: true });
  const store = new SessionStore(pool);

  router.get('/instruments/:instrument/live', async (request, response) => {
    const who = permit(request, 'work');
    const shop = shopParam(request);
    const id = uuidParam(request, 'instrument');
    const asked = String(request.query['use'] ?? '');
    const use = INSTRUMENT_FUNCTION_NAMES.find((name) => name === asked);
    if (!use)
      throw misfit([{ field: 'use', found: JSON.stringify(asked), allowed: INSTRUMENT_FUNCTION_NAMES.join(', ') }]);
    const [instrument] = await listInstruments(pool, shop, id);
    if (!instrument) throw notFound('instrument', id);
    const address = instrument.address === null ? null : instrumentAddress(instrument.address);
    if (address === null)
      throw misfit([{ field: 'address', found: 'none', allowed: 'an instrument that is read live has an address' }]);
    const hosts = (await shopSettings(pool, shop))?.instrumentHosts ?? [];
    const reached = `${address.host.includes(':') ? `[${address.host}]` : address.host}:${address.port}`;
    if (!hosts.includes(reached))
      throw misfit([
        {
          field: 'address',
          found: reached,
          allowed: 'a host and port that an administrator has allowed on the screen Instruments',
        },
      ]);
    const stream = openEventStream(request, response);
    streams.add(stream);
    followSession(store, stream, request);
    const key = `${shop} ${id}`;
    const { millivoltsPerAmp } = instrument;
    stream.onClose(
      live.watch({ key, address, millivoltsPerAmp }, use, who.name, (news) =>
        streams.send(stream, 'live', JSON.stringify(news)),
      ),
    );
  });

  return router;
}
