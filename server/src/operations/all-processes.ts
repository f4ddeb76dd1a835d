/** The figures of all serving processes together: whoever asks one of them is told the sum. */
import cluster from 'node:cluster';
import { randomUUID } from 'node:crypto';
import { AggregatorRegistry } from 'prom-client';
import type { Registry } from 'prom-client';

interface Asked {
  readonly figuresAsked: string;
}
interface Told {
  readonly figuresTold: string;
  readonly text: string;
}
const isAsked = (message: unknown): message is Asked =>
  typeof message === 'object' && message !== null && 'figuresAsked' in message;
const isTold = (message: unknown, id: string): message is Told =>
  typeof message === 'object' && message !== null && (message as Partial<Told>).figuresTold === id;

/** The first process is not there, or one of the others does not answer: after so long its own figures are told, ms. */
const PATIENCE_MS = 6000;

/** In the first process: gathers from all when one is asked. */
export function gatherFigures(): void {
  const all = new AggregatorRegistry();
  cluster.on('message', (worker, message: unknown) => {
    if (!isAsked(message)) return;
    void all.clusterMetrics().then(
      (text) => worker.isConnected() && worker.send({ figuresTold: message.figuresAsked, text } satisfies Told),
      () => undefined, // one is just ending; who asked tells its own
    );
  });
}

/** In a serving process: how its figures are told, its own where it serves alone. */
export function figuresOf(own: Registry): () => Promise<string> {
  if (!cluster.isWorker) return () => own.metrics();
  new AggregatorRegistry(); // answers the first process
  AggregatorRegistry.setRegistries(own);
  return () =>
    new Promise((resolve) => {
      const id = randomUUID();
      const end = (text: string | Promise<string>): void => {
        clearTimeout(late);
        process.off('message', hear);
        resolve(text);
      };
      const hear = (message: unknown): void => {
        if (isTold(message, id)) end(message.text);
      };
      const late = setTimeout(() => end(own.metrics()), PATIENCE_MS);
      process.on('message', hear);
      process.send?.({ figuresAsked: id } satisfies Asked);
    });
}
