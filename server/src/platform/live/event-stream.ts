/** One server-sent event stream to one device. */
import type { Request, Response } from 'express';

const BEAT_MS = 15_000;
const RETRY_MS = 1000;
/** A device that has taken nothing of what waits for it for so long has gone, ms. */
const MAX_STUCK_MS = 60_000;

export interface EventStream {
  /** Bytes that the device has not taken yet. */
  readonly unread: number;
  /** @param data JSON as text, or bytes of it that many streams may share. */
  send(event: string, data: string | Buffer): void;
  /** Runs when the device has gone, or the stream is ended: at once where that has happened already. */
  onClose(work: () => void): void;
  /** Ends it after what is still to be read. */
  end(): void;
  /** Ends it at once, whatever is unread: the device joins again and is told all anew. */
  cut(): void;
}

/**
 * Opens the stream; the beat keeps it through proxies and tells a dead one. The device may have gone while it was found out
 * whether it may have the stream: then it is closed from the beginning.
 */
export function openEventStream(request: Request, response: Response): EventStream {
  const closing: (() => void)[] = [];
  let open = true;
  const close = (): void => {
    if (!open) return;
    open = false;
    for (const work of closing) work();
  };
  response.on('close', close);
  if (request.socket.destroyed || response.destroyed || response.closed) open = false;
  else
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
      Connection: 'close', // ended streams leave no idle connection behind that a stopping server would wait for
    });
  let takenAt = Date.now();
  const write = (data: string | Buffer): void => void response.write(data, () => (takenAt = Date.now()));
  const beat = setInterval(() => {
    if (response.writableLength === 0) write(': beat\n\n');
    else if (Date.now() - takenAt > MAX_STUCK_MS) cut();
  }, BEAT_MS);
  const cut = (): void => {
    close();
    response.destroy();
  };
  if (open) {
    closing.push(() => clearInterval(beat));
    write(`retry: ${RETRY_MS}\n\n`);
  } else clearInterval(beat);
  return {
    get unread() {
      return response.writableLength;
    },
    send(event, data) {
      if (!open) return;
      write(`event: ${event}\ndata: `);
      write(data);
      write('\n\n');
    },
    onClose(work) {
      if (open) closing.push(work);
      else work();
    },
    end() {
      close();
      response.end();
    },
    cut,
  };
}
