/** Columns that grow by blocks while a file is read, so that nothing is copied until all is there. */

/** Samples of one block: 1 MB of channel. */
const BLOCK = 1 << 18;

type Numbers = Float32Array | Float64Array;

export class SampleStore<T extends Numbers> {
  readonly #blocks: T[] = [];
  #block: T;
  #used = 0;

  constructor(private readonly newBlock: (length: number) => T) {
    this.#block = newBlock(BLOCK);
  }

  get length(): number {
    return this.#blocks.length * BLOCK + this.#used;
  }

  push(value: number): void {
    if (this.#used === BLOCK) {
      this.#blocks.push(this.#block);
      this.#block = this.newBlock(BLOCK);
      this.#used = 0;
    }
    this.#block[this.#used++] = value;
  }

  /** All samples in one array; the blocks are given up. */
  take(): T {
    const all = this.newBlock(this.length);
    let at = 0;
    for (const block of this.#blocks) {
      all.set(block as never, at);
      at += BLOCK;
    }
    all.set(this.#block.subarray(0, this.#used) as never, at);
    this.#blocks.length = 0;
    return all;
  }
}
