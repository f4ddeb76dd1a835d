/** One server-sent event stream to one device. */
import type { Request, Response } from 'express';

const BEAT_MS = 15_000;
const RETRY_MS = 1000;

export interface EventStream {
  /** Bytes that the device has not taken yet. */
  readonly unread: number;
  /** @param data JSON as text, or bytes of it that many streams may share. */
  send(event: string, data: string | Buffer): void;
  /** Runs when the device has gone, or the stream is ended. */
  onClose(work: () => void): void;
  /** Ends it after what is still to be read. */
  end(): void;
  /** Ends it at once, whatever is unread: the device joins again and is told all anew. */
  cut(): void;
}

/** Opens the stream; the beat keeps it through proxies and tells a dead one. */
export function openEventStream(request: Request, response: Response): EventStream {
  response.writeHead(200, {
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-store, no-transform',
    'X-Accel-Buffering': 'no',
    Connection: 'close', // ended streams leave no idle connection behind that a stopping server would wait for
  });
  response.write(`retry: ${RETRY_MS}\n\n`);
  const beat = setInterval(() => response.writableLength === 0 && response.write(': beat\n\n'), BEAT_MS);
  const closing: (() => void)[] = [() => clearInterval(beat)];
  let open = true;
  const close = (): void => {
    if (!open) return;
    open = false;
    for (const work of closing) work();
  };
  request.on('close', close);
  response.on('close', close);
  return {
    get unread() {
      return response.writableLength;
    },
    send(event, data) {
      if (!open) return;
      response.write(`event: ${event}\ndata: `);
      response.write(data);
      response.write('\n\n');
    },
    onClose: (work) => void closing.push(work),
    end() {
      close();
      response.end();
    },
    cut() {
      close();
      response.destroy();
    },
  };
}
