/** What became of the writes of one request, so that a failure says only what is so. */
import { AsyncLocalStorage } from 'node:async_hooks';
import type { RequestHandler } from 'express';

/** Nothing yet; a transaction is ending and its answer is not there; one has ended. */
type Outcome = 'nothing' | 'ending' | 'stored';

const outcomes = new AsyncLocalStorage<{ outcome: Outcome }>();

/** Every request has its own; stands before all routes. */
export const noteWhatIsStored: RequestHandler = (_request, _response, next) =>
  outcomes.run({ outcome: 'nothing' }, next);

/** Runs the end of a transaction: until its answer is there nobody knows. @param isUndone Tells a failure in which nothing of it is kept. */
export async function noteEnd<T>(end: () => Promise<T>, isUndone: (error: unknown) => boolean): Promise<T> {
  const noted = outcomes.getStore() ?? { outcome: 'nothing' };
  const before = noted.outcome;
  noted.outcome = 'ending';
  try {
    const ended = await end();
    noted.outcome = 'stored';
    return ended;
  } catch (error) {
    if (isUndone(error)) noted.outcome = before;
    throw error;
  }
}

const WORDS: Readonly<Record<Outcome, string>> = {
  nothing: 'Nothing was stored',
  ending: 'Whether it was stored is not known: send the same again, it is stored once',
  stored: 'What was sent is stored',
};
/** A sentence without its full stop. */
export const whatIsStored = (): string => WORDS[outcomes.getStore()?.outcome ?? 'nothing'];
