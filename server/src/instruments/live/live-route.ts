import type { Request } from 'express';
import { isUUID } from 'class-validator';
import { INSTRUMENT_FUNCTION_NAMES } from '@tetrad/core';
import type { InstrumentFunction } from '@tetrad/core';
import { shopParam, uuidParam } from '../../platform/http/body';
import { misfit, notFound } from '../../platform/http/problem';
import { openEventStream } from '../../platform/live/event-stream';
import type { OpenStreams } from '../../platform/live/open-streams';
import type { Pool } from '../../platform/database/pool';
import type { Handlers } from '../../platform/http/handlers';
import { followSession } from '../../people/follow-session';
import { SessionStore } from '../../people/session-store';
import { whoOf } from '../../people/who';
import { shopSettings } from '../../shops/shops.sql';
import { listInstruments } from '../instruments.sql';
import type { InstrumentWatching, LiveNews } from './live-instruments';
import { keyOf, reachedInstrument } from './reached-instrument';

/** A value, its current, speed and target: nobody reads more at once. */
const MAX_AT_ONCE = 4;

interface Asked {
  readonly id: string;
  readonly use: InstrumentFunction;
}

/**
 * The values of instruments as they come, for as long as somebody listens: `?read=ID:volts-dc,ID:amps-dc`. All of them come
 * in one stream: browsers hold few connections to one address.
 */
export function liveInstrumentRoute(
  pool: Pool,
  live: InstrumentWatching,
  streams: OpenStreams,
): Handlers<'followInstruments' | 'zeroInstrument'> {
  const store = new SessionStore(pool);

  return {
    followInstruments: async (request, response) => {
      const who = whoOf(request);
      const shop = shopParam(request);
      const asked = askedOf(request);
      const known = new Map((await listInstruments(pool, shop)).map((one) => [one.id, one]));
      const missing = asked.find(({ id }) => !known.has(id));
      if (missing) throw notFound('instrument', missing.id);
      const hosts = (await shopSettings(pool, shop))?.instrumentHosts ?? [];
      const stream = openEventStream(request, response);
      streams.add(stream);
      followSession(store, stream, request);
      for (const { id, use } of asked) {
        const tell = (news: LiveNews): void =>
          streams.send(stream, 'live', JSON.stringify({ ...news, instrument: id, as: use }));
        const found = reachedInstrument(known.get(id)!, shop, hosts);
        if ('why' in found) tell({ state: 'lost', why: found.why, use, identity: null, owner: who.name });
        else stream.onClose(live.watch(found, use, who.name, tell));
      }
    },

    /** A clamp that is watched takes what it shows just now for nothing. */
    zeroInstrument: async (request, response) => {
      const shop = shopParam(request);
      const id = uuidParam(request, 'instrument');
      const [instrument] = await listInstruments(pool, shop, id);
      if (!instrument) throw notFound('instrument', id);
      live.zero(keyOf(shop, id));
      response.end();
    },
  };
}

function askedOf(request: Request): readonly Asked[] {
  const text = typeof request.query['read'] === 'string' ? request.query['read'] : '';
  const asked = text.split(',').flatMap((part): readonly Asked[] => {
    const [id = '', name = ''] = part.split(':');
    const use = INSTRUMENT_FUNCTION_NAMES.find((known) => known === name);
    return isUUID(id) && use ? [{ id, use }] : [];
  });
  if (asked.length === 0 || asked.length > MAX_AT_ONCE || asked.length !== text.split(',').length)
    throw misfit([
      {
        field: 'read',
        found: JSON.stringify(text.slice(0, 200)),
        allowed: `1 to ${MAX_AT_ONCE} of instrument:function, such as ID:volts-dc; functions: ${INSTRUMENT_FUNCTION_NAMES.join(', ')}`,
      },
    ]);
  return asked;
}
