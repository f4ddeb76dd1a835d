/** The event streams of this process, and how much of what was sent to them is unread. */
import type { EventStream } from './event-stream';

/** Bytes that may wait unread in one stream, and in all of them together. */
const MAX_UNREAD = 2 << 20;
const MAX_UNREAD_OF_ALL = 32 << 20;

export class OpenStreams {
  readonly #streams = new Set<EventStream>();

  get size(): number {
    return this.#streams.size;
  }

  add(stream: EventStream): void {
    this.#streams.add(stream);
    stream.onClose(() => this.#streams.delete(stream));
  }

  [Symbol.iterator](): Iterator<EventStream> {
    return [...this.#streams].values();
  }

  endAll(): void {
    for (const stream of [...this.#streams]) stream.end();
  }

  /**
   * Sends to one stream, unless it has not read what came before. Where all together have left too much unread, those
   * that read least are cut until it is little enough.
   */
  send(stream: EventStream, event: string, data: string | Buffer): void {
    if (stream.unread > MAX_UNREAD) return stream.cut();
    stream.send(event, data);
    if (stream.unread > 0) this.#bound();
  }

  #bound(): void {
    const behind = [...this.#streams].filter(({ unread }) => unread > 0).sort((a, b) => b.unread - a.unread);
    let left = behind.reduce((sum, { unread }) => sum + unread, 0);
    for (const stream of behind) {
      if (left <= MAX_UNREAD_OF_ALL) return;
      left -= stream.unread;
      stream.cut();
    }
  }
}
