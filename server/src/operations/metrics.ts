/** Figures of the server for whoever watches it, told to this machine alone. */
import { Router } from 'express';
import type { RequestHandler } from 'express';
import { Gauge, Histogram, Registry, collectDefaultMetrics } from 'prom-client';
import { Refusal, problem } from '../platform/http/problem';
import { isFromHere } from '../platform/http/from-here';
import { figuresOf } from './all-processes';
import type { ReadReplica } from '../platform/database/read-replica';
import type { Pool } from '../platform/database/pool';

/** Seconds at which answers are counted: a key's grade to a report. */
const BUCKETS_S = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10];

export interface Metrics {
  /** Times every answer; stands before all routes. */
  readonly time: RequestHandler;
  readonly routes: Router;
}

/** What is counted: event streams that are open, and rows that their lists leave out. */
export interface Counted {
  readonly streams: { readonly size: number };
  readonly leftOut: { readonly size: number };
}

export function metrics(pool: Pool, { streams, leftOut }: Counted, lists: ReadReplica | null = null): Metrics {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const answers = new Histogram({
    name: 'tetrad_answer_seconds',
    help: 'Time to answer, by route, method and status',
    labelNames: ['route', 'method', 'status'],
    buckets: BUCKETS_S,
    registers: [registry],
  });
  const gauge = (name: string, help: string, value: () => number): Gauge =>
    new Gauge({
      name,
      help,
      registers: [registry],
      collect() {
        this.set(value());
      },
    });
  gauge('tetrad_streams', 'Event streams that are open', () => streams.size);
  gauge('tetrad_rows_left_out', 'Rows that cannot be told, left out of their lists', () => leftOut.size);
  gauge('tetrad_database_connections', 'Connections to the database', () => pool.counts().all);
  gauge('tetrad_database_waiting', 'Work that waits for a connection', () => pool.counts().waiting);
  if (lists) {
    gauge('tetrad_lists_from_standby', 'Lists that the standby gave', () => lists.counts.standby);
    gauge('tetrad_lists_standby_behind', 'Lists that the standby was too far behind for', () => lists.counts.behind);
  }

  const tell = figuresOf(registry);
  const routes = Router();
  routes.get('/metrics', async (request, response) => {
    if (!isFromHere(request))
      throw new Refusal(problem(403, 'not-here', 'Figures of the server are told to its own machine alone.'));
    response.type(registry.contentType).send(await tell());
  });
  return {
    routes,
    time: (request, response, next) => {
      const end = answers.startTimer();
      response.on('finish', () =>
        end({
          // the pattern of the address, never what stands in it
          route: request.route
            ? `${request.baseUrl ? '/api' : ''}${String((request.route as { path: string }).path)}`
            : 'none',
          method: request.method,
          status: String(response.statusCode),
        }),
      );
      next();
    },
  };
}
