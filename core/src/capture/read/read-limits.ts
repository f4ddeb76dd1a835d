/** What a recording may be at most, so that a page and a server stay usable. */

/** Bytes of one file. */
export const MAX_BYTES = 1_000_000_000;
/** Samples of one channel: forty minutes at 20,000 a second. */
export const MAX_SAMPLES = 50_000_000;
export const MAX_CHANNELS = 8;
/** With fewer nothing can be told from a record. */
export const MIN_SAMPLES = 8;
