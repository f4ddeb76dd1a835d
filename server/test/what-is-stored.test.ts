/** “Nothing was stored” is said only where that is so. */
import { noteEnd, noteWhatIsStored, whatIsStored } from '../src/platform/database/what-is-stored';

/** What a request is told after its work. */
const told = (work: () => Promise<unknown>): Promise<string> =>
  new Promise((resolve) => {
    const next = () =>
      void work()
        .catch(() => undefined)
        .then(() => resolve(whatIsStored()));
    void noteWhatIsStored({} as never, {} as never, next);
  });
const ended = () =>
  noteEnd(
    () => Promise.resolve(1),
    () => true,
  );
const failed = (isUndone: boolean) =>
  noteEnd(
    () => Promise.reject(new Error('no')),
    () => isUndone,
  );

it.each([
  ['nothing was begun', () => Promise.resolve(), 'Nothing was stored'],
  ['a transaction that was undone', () => failed(true), 'Nothing was stored'],
  ['one whose end nobody heard of', () => failed(false), 'Whether it was stored is not known'],
  [
    'one that ended, and something after it failed',
    () => ended().then(() => Promise.reject(new Error('view'))),
    'What was sent is stored',
  ],
  [
    'a second one that was undone after a first that ended',
    () => ended().then(() => failed(true)),
    'What was sent is stored',
  ],
])('%s', async (_what, work, says) => {
  expect(await told(work)).toMatch(new RegExp(`^${says}`));
});

it('two requests at once are told each of their own', async () => {
  const slow = () => new Promise((done) => setTimeout(done, 20)).then(ended);
  expect(await Promise.all([told(slow), told(() => failed(true))])).toEqual([
    'What was sent is stored',
    'Nothing was stored',
  ]);
});
