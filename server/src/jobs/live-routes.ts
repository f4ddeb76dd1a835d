import type { JobId, ShopId } from '@tetrad/contracts';
import type { Request } from 'express';
import { viewOf } from '../judgements/judge-job';
import { openEventStream } from '../platform/live/event-stream';
import type { EventStream } from '../platform/live/event-stream';
import type { JobNewsSource } from '../job-store/job-news';
import type { OpenStreams } from '../platform/live/open-streams';
import { scopeOf } from '../people/access';
import type { Scope } from '../people/access';
import { followSession } from '../people/follow-session';
import { SessionStore } from '../people/session-store';
import { whoOf } from '../people/who';
import { findJob } from '../job-store/jobs.sql';
import { bePresent } from '../job-store/presence';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { inShop } from '../platform/database/working-shop';
import { shopParam } from '../platform/http/body';
import { jobOf } from './locked-job';

/** Live streams: a job whole at every change, and the ids of jobs that change on the floor. */
export function liveRoutes(
  pool: Pool,
  feed: JobNewsSource,
  streams: OpenStreams,
): Handlers<'followJob' | 'followJobs'> {
  const store = new SessionStore(pool);
  const texts = new JobTexts(pool);

  /** A stream goes on no longer than the session it was opened in. @returns whose jobs it may tell of, as it is now. */
  const keep = (stream: EventStream, request: Request): { readonly scope: Scope } => {
    streams.add(stream);
    const kept = { scope: scopeOf(whoOf(request)) };
    followSession(store, stream, request, (signedIn) => (kept.scope = scopeOf(signedIn)));
    return kept;
  };

  return {
    followJob: async (request, response) => {
      const shop = shopParam(request);
      const { id } = await jobOf(pool, request);
      const stream = openEventStream(request, response);
      const kept = keep(stream, request);
      const push = latestOnly(async () => {
        const text = await texts.of(shop, id, kept.scope);
        if (text) streams.send(stream, 'job', text);
        else stream.end(); // it has been given to somebody else
      });
      stream.onClose(
        feed.listen((news) => {
          if (news === null || (news.shop === shop && news.job === id && !news.isPresence)) push();
        }),
      );
      push();
      const { name, kind } = whoOf(request);
      bePresent(pool, feed, stream, { shop, job: id, name, kind }, (others) => streams.send(stream, 'people', others));
    },

    followJobs: (request, response) => {
      const shop = shopParam(request);
      const stream = openEventStream(request, response);
      keep(stream, request);
      // it tells which rows to ask for anew, and what is answered then is what may be seen
      stream.onClose(
        feed.listen((news) => {
          if (news === null || (news.shop === shop && !news.isPresence))
            streams.send(stream, 'floor', JSON.stringify({ job: news?.job ?? null }));
        }),
      );
    },
  };
}

/** Jobs as they are told to streams: read and written out once for all that ask at the same time, and kept by none. */
class JobTexts {
  readonly #asked = new Map<string, Promise<Buffer | null>>();

  constructor(private readonly pool: Pool) {}

  /** @returns null where the job is not there, or not within the scope. */
  of(shop: ShopId, job: JobId, scope: Scope): Promise<Buffer | null> {
    const key = JSON.stringify([shop, job, scope]);
    const asked = this.#asked.get(key) ?? this.#read(key, shop, job, scope);
    this.#asked.set(key, asked);
    return asked;
  }

  // a moment later, so that all streams that hear of the same change are told by one reading of it
  async #read(key: string, shop: ShopId, id: string, scope: Scope): Promise<Buffer | null> {
    await new Promise(setImmediate);
    this.#asked.delete(key); // who hears of a later change reads anew
    return inShop(shop, async () => {
      const job = await findJob(this.pool, shop, id, { scope });
      return job && Buffer.from(JSON.stringify(await viewOf(this.pool, shop, job)));
    });
  }
}

/** Runs the work one at a time; of the calls meanwhile one more run is made. A failure waits for the next call. */
function latestOnly(work: () => Promise<void>): () => void {
  let running = false;
  let again = false;
  const run = async (): Promise<void> => {
    running = true;
    do {
      again = false;
      await work().catch(() => undefined);
    } while (again);
    running = false;
  };
  return () => {
    if (running) again = true;
    else void run();
  };
}
