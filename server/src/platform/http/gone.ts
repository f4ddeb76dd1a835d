import type { Response } from 'express';

/** Told when who asked has gone, or has the answer: what is still made for them is not needed any more. */
export function goneSignal(response: Response): AbortSignal {
  const gone = new AbortController();
  response.on('close', () => gone.abort());
  return gone.signal;
}

/** What work for somebody comes to; null where they have gone, and with them the work. */
export const unlessGone = <Made>(work: Promise<Made>, gone: AbortSignal): Promise<Made | null> =>
  work.catch((error: unknown) => {
    if (gone.aborted) return null;
    throw error;
  });
