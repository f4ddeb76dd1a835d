/** One server-sent event stream to one device. */
import type { Request, Response } from 'express';

const BEAT_MS = 15_000;
/** More than this waiting unread, and the stream is ended: the device joins again and is told all anew, bytes. */
const MOST_UNREAD = 1 << 20;
const RETRY_MS = 1000;

export interface EventStream {
  send(event: string, data: unknown): void;
  /** Runs when the device has gone, or the stream is ended. */
  onClose(work: () => void): void;
  end(): void;
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
  const write = (text: string): void => {
    if (response.writableLength > MOST_UNREAD) {
      close();
      response.destroy();
    } else response.write(text);
  };
  const beat = setInterval(() => write(': beat\n\n'), BEAT_MS);
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
    send: (event, data) => {
      if (open) write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
    },
    onClose: (work) => void closing.push(work),
    end: () => {
      close();
      response.end();
    },
  };
}
