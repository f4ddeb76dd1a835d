import { Router } from 'express';
import { viewJob } from '../../judging/judge-job';
import { openEventStream } from '../../live/event-stream';
import type { EventStream } from '../../live/event-stream';
import type { JobNewsFeed } from '../../live/job-news';
import { findJob } from '../../sql/jobs';
import type { Pool } from '../../sql/pool';
import { shopParam, uuidParam } from '../body';
import { notFound } from '../problem';

/** The open streams of this process, so that it can end them when it stops. */
export type Streams = Set<EventStream>;

/** Live streams: a job whole at every change, and the ids of jobs that change on the floor. */
export function liveRoutes(pool: Pool, feed: JobNewsFeed, streams: Streams): Router {
  const router = Router({ mergeParams: true });
  const keep = (stream: EventStream): void => {
    streams.add(stream);
    stream.onClose(() => streams.delete(stream));
  };

  router.get('/jobs/:job/live', async (request, response) => {
    const shop = shopParam(request);
    const id = uuidParam(request, 'job');
    if (!(await findJob(pool, shop, id))) throw notFound('job', id);
    const stream = openEventStream(request, response);
    keep(stream);
    const push = latestOnly(async () => {
      const view = await viewJob(pool, shop, id);
      if (view) stream.send('job', view);
    });
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
    keep(stream);
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
