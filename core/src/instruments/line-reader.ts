/** Cuts what an instrument sends into lines: what is longer than a line can be, or comes in a flood, is told and dropped. */

/** No answer of an instrument that is read here is longer, characters. */
const MAX_LINE = 400;
/** An instrument that says more than this in a second is not one. */
const MAX_LINES_A_SECOND = 500;

export interface LineReaderEvents {
  readonly onLine: (line: string) => void;
  /** Something that is no line. */
  readonly onGarbage: () => void;
  /** More lines than anybody can read. */
  readonly onFlood: () => void;
}

export class LineReader {
  #rest = '';
  /** The line that is coming is too long: it is dropped up to its end. */
  #isDropping = false;
  #hasStopped = false;
  #lines = 0;
  #sinceMs = -Infinity;

  constructor(private readonly events: LineReaderEvents) {}

  /** @param atMs When it came, on any clock that goes forward. */
  push(text: string, atMs: number): void {
    for (const part of text.split(/(\n)/)) {
      if (this.#hasStopped) return;
      if (part === '\n') this.#finish(atMs);
      else if (!this.#isDropping) this.#add(part);
    }
  }
  /** Nothing more is heard. */
  stop(): void {
    this.#hasStopped = true;
  }

  #add(part: string): void {
    this.#rest += part;
    if (this.#rest.length <= MAX_LINE) return;
    this.#rest = '';
    this.#isDropping = true;
    this.events.onGarbage();
  }

  #finish(atMs: number): void {
    const line = this.#rest.replace(/\r$/, '');
    this.#rest = '';
    if (this.#isDropping) {
      this.#isDropping = false;
      return;
    }
    if (this.#isFlood(atMs)) {
      this.stop();
      return this.events.onFlood();
    }
    this.events.onLine(line);
  }

  #isFlood(atMs: number): boolean {
    if (atMs - this.#sinceMs > 1000) {
      this.#sinceMs = atMs;
      this.#lines = 0;
    }
    return ++this.#lines > MAX_LINES_A_SECOND;
  }
}
