/** What a guess of a password costs, whatever the other tests save on it. */
import { expect, it } from '@jest/globals';
import argon2 from '../../node_modules/argon2/argon2.cjs';
import { ARGON } from '../src/people/secrets';

it('a secret costs whoever guesses it 19 MiB and two passes of Argon2id at least', async () => {
  const hash = await argon2.hash('2580', ARGON);
  const [, memoryKiB, passes] = /^\$argon2id\$v=19\$m=(\d+),(?:p=1,)?t=(\d+)/.exec(hash)!;
  expect(Number(memoryKiB)).toBeGreaterThanOrEqual(19 * 1024);
  expect(Number(passes)).toBeGreaterThanOrEqual(2);
});
