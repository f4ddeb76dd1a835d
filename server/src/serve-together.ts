/** Several serving processes behind one port, on one database; one that ends is begun again. */
import cluster from 'node:cluster';
import type { Logger } from 'pino';
import { gatherFigures } from './operating/all-processes';
import { PORT_TAKEN } from './serve';

/** Ends within a minute that are taken for bad luck; more are a fault, and all end. */
const MOST_ENDS = 10;
const MINUTE_MS = 60_000;

/** The first process: it serves nothing itself. */
export function serveTogether(count: number, log: Logger): void {
  let stopping = false;
  let isTold = false;
  let ends: number[] = [];
  const begin = (): void => {
    cluster.fork().on('message', (message: unknown) => {
      // the first that listens is all that the starting process waits for
      if (isTold || typeof message !== 'object' || message === null || !('listening' in message)) return;
      isTold = true;
      process.send?.(message);
    });
  };
  cluster.on('exit', (worker, code, signal) => {
    if (stopping) {
      if (Object.keys(cluster.workers ?? {}).length === 0) process.exit(0);
      return;
    }
    if (code === PORT_TAKEN) process.exit(PORT_TAKEN);
    const now = Date.now();
    ends = [...ends.filter((at) => now - at < MINUTE_MS), now];
    if (ends.length > MOST_ENDS) {
      log.fatal({ ends: ends.length }, 'serving processes end again and again');
      process.exit(1);
    }
    log.error({ pid: worker.process.pid, code, signal }, 'a serving process ended and is begun again');
    begin();
  });
  gatherFigures();
  const stop = (): void => {
    stopping = true;
    for (const worker of Object.values(cluster.workers ?? {})) worker?.process.kill('SIGTERM');
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  process.on('disconnect', stop);
  for (let i = 0; i < count; i++) begin();
}
