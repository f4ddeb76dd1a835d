/** Several serving processes behind one port, on one database; one that ends is begun again. */
import cluster from 'node:cluster';
import type { Worker } from 'node:cluster';
import type { Logger } from 'pino';
import { gatherFigures } from './operations/all-processes';
import { InstrumentsForOthers } from './instruments/live/across-processes';
import { ALIVE_EVERY_MS, PORT_TAKEN } from './serve';

/** Ends within a minute that are taken for bad luck; more are a fault, and all end. */
const MAX_ENDS = 10;
const MINUTE_MS = 60_000;
/** A worker that listens and then says nothing for so long is ended, ms. */
const SILENT_MS = 10_000;

/** Kills a worker that does not answer any more; its end is then seen as any other. */
function endIfSilent(worker: Worker, log: Logger): void {
  let last = Infinity; // nothing is asked of it before it listens
  worker.on('message', () => (last = performance.now()));
  const look = setInterval(() => {
    if (performance.now() - last <= SILENT_MS) return;
    log.error({ pid: worker.process.pid }, 'a serving process did not answer for 10 s and is ended');
    worker.process.kill('SIGKILL');
  }, SILENT_MS / 10);
  look.unref();
  worker.once('exit', () => clearInterval(look));
}

/** The first process: it serves nothing itself, and has the connections to instruments. */
export function serveTogether(count: number, log: Logger): void {
  let stopping = false;
  let isTold = false;
  let ends: number[] = [];
  const instruments = new InstrumentsForOthers();
  const begin = (): void => {
    const worker = cluster.fork();
    endIfSilent(worker, log);
    worker.on('message', (message: unknown) => {
      instruments.hear(worker.id, message, (answer) => worker.isConnected() && worker.send(answer));
      // the first that listens is all that the starting process waits for
      if (isTold || typeof message !== 'object' || message === null || !('listening' in message)) return;
      isTold = true;
      process.send?.(message);
    });
  };
  cluster.on('exit', (worker, code, signal) => {
    instruments.forget(worker.id);
    if (stopping) {
      if (Object.keys(cluster.workers ?? {}).length === 0) process.exit(0);
      return;
    }
    if (code === PORT_TAKEN) process.exit(PORT_TAKEN);
    const now = Date.now();
    ends = [...ends.filter((at) => now - at < MINUTE_MS), now];
    if (ends.length > MAX_ENDS) {
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
  setInterval(() => process.connected && process.send?.({ alive: true }), ALIVE_EVERY_MS).unref();
  for (let i = 0; i < count; i++) begin();
}
