/** How long and how many: figures of the contract that need no body to be known. */

/** Bytes of a piece of a file; only the last one is shorter. */
export const CAPTURE_PIECE_BYTES = 1 << 20;
/** Bytes of one file at most. */
export const CAPTURE_MOST_BYTES = 1_000_000_000;
/** Digits of a PIN. */
export const PIN_DIGITS = 4;
/** Rows of one page at most. */
export const PAGE_MOST = 500;
