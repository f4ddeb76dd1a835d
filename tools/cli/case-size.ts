/** Bytes of one case at most: the largest real ones, with thousands of readings, have a few megabytes. */
export const MAX_CASE_BYTES = 64_000_000;

/** @param what What is too long. */
export const tooLong = (what: string, bytes: number): string =>
  `${what} has ${bytes === MAX_CASE_BYTES ? 'more' : `at least ${bytes}`} bytes; a case has at most ${MAX_CASE_BYTES}`;
