import { Router } from 'express';
import type { Request } from 'express';
import { viewJob } from '../../judging/judge-job';
import { openEventStream } from '../../live/event-stream';
import type { EventStream } from '../../live/event-stream';
import type { JobNewsFeed } from '../../live/job-news';
import { SessionStore } from '../../people/session-store';
import type { Pool } from '../../sql/pool';
import { inShop } from '../../sql/working-shop';
import { shopParam } from '../body';
import { jobOf } from './with-job';

/** Whether the session of a stream has ended is looked at so often, ms. */
const LOOK_MS = 15_000;

/** The open streams of this process, so that it can end them when it stops. */
export type Streams = Set<EventStream>;

/** Live streams: a job whole at every change, and the ids of jobs that change on the floor. */
export function liveRoutes(pool: Pool, feed: JobNewsFeed, streams: Streams): Router {
  const router = Router({ mergeParams: true });
  const store = new SessionStore(pool);
  /** A stream goes on no longer than the session it was opened in. */
  const keep = (stream: EventStream, request: Request): void => {
    streams.add(stream);
    const id = request.sessionID;
    const look = setInterval(
      () =>
        void store.find(id).then(
          (found) => found ?? stream.end(),
          () => undefined,
        ),
      LOOK_MS,
    );
    stream.onClose(() => {
      clearInterval(look);
      streams.delete(stream);
    });
  };

  router.get('/jobs/:job/live', async (request, response) => {
    const shop = shopParam(request);
    const { id } = await jobOf(pool, request);
    const stream = openEventStream(request, response);
    keep(stream, request);
    // news comes from outside of any shop
    const push = latestOnly(() =>
      inShop(shop, async () => {
        const view = await viewJob(pool, shop, id);
        if (view) stream.send('job', view);
      }),
    );
    stream.onClose(
      feed.listen((news) => {
        if (news === null || (news.shop === shop && news.job === id)) push();
      }),
    );
    push();
  });

  router.get('/live', (request, response) => {
    const shop = shopParam(request);
    const stream = openEventStream(request, response);
    keep(stream, request);
    stream.onClose(
      feed.listen((news) => {
        if (news === null || news.shop === shop) stream.send('floor', { job: news?.job ?? null });
      }),
    );
  });

  return router;
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
