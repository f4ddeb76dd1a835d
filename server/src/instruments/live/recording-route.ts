import { shopParam, uuidParam } from '../../platform/http/body';
import { Refusal, misfit, notFound, problem } from '../../platform/http/problem';
import type { Pool } from '../../platform/database/pool';
import type { Handlers } from '../../platform/http/handlers';
import { shopSettings } from '../../shops/shops.sql';
import { listInstruments } from '../instruments.sql';
import { recordWaveform } from './record-waveform';
import { reachedInstrument } from './reached-instrument';
import { InstrumentFault } from './reply-socket';

/** A recording of a shop's recorder, answered as a capture; closing the request gives it up. */
export function recordingRoute(pool: Pool): Handlers<'recordInstrument'> {
  /** Recorders that wait or record just now: each for one at a time. */
  const busy = new Set<string>();

  return {
    recordInstrument: async (request, response, { body }) => {
      const shop = shopParam(request);
      const id = uuidParam(request, 'instrument');
      const settings = body;
      const [instrument] = await listInstruments(pool, shop, id);
      if (!instrument) throw notFound('instrument', id);
      if (instrument.kind !== 'scope')
        throw misfit([{ field: 'instrument', found: instrument.kind, allowed: 'an instrument of the kind scope' }]);
      const hosts = (await shopSettings(pool, shop))?.instrumentHosts ?? [];
      const found = reachedInstrument(instrument, shop, hosts);
      if ('why' in found) throw away(instrument.name, found.why);
      if (busy.has(found.key)) throw away(instrument.name, 'it records for somebody else just now');
      busy.add(found.key);
      const stop = new AbortController();
      response.on('close', () => stop.abort());
      try {
        response.json(await recordWaveform(found.address, settings, stop.signal));
      } catch (error) {
        if (!(error instanceof InstrumentFault)) throw error;
        if (!stop.signal.aborted) throw away(instrument.name, error.message);
      } finally {
        busy.delete(found.key);
      }
    },
  };
}

const away = (name: string, why: string): Refusal =>
  new Refusal(problem(503, 'instrument-away', `${name} recorded nothing: ${why}.`));
