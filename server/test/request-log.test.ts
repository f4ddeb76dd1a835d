/** The log says what was asked and answered, and none of the secrets that came with it. */
import pino from 'pino';
import { PASSWORD, startApplication } from './application';

it('has the path and the status of an answer, and no cookie, password or code', async () => {
  let lines = '';
  const log = pino({ level: 'info' }, { write: (line: string) => void (lines += line) });
  const app = await startApplication(undefined, { log });
  try {
    const cookie = await app.signIn('one', 'Ada');
    await app.ask('GET', '/api/shops/one/jobs?find=SK-7&code=of-the-issuer', undefined, cookie);
    await app.ask('POST', '/api/session', { shop: 'one', name: 'Ada', password: 'a wrong password' });
    const told = lines.split('\n').flatMap((line) => (line ? [JSON.parse(line) as Record<string, unknown>] : []));
    expect(told).toContainEqual(
      expect.objectContaining({
        req: expect.objectContaining({ method: 'GET', path: '/api/shops/one/jobs', from: '127.0.0.1' }),
        res: { statusCode: 422 }, // `code` is no field of the floor's
      }),
    );
    for (const secret of [cookie, decodeURIComponent(cookie), PASSWORD, 'a wrong password', 'SK-7', 'of-the-issuer'])
      expect(lines).not.toContain(secret);
    expect(lines.toLowerCase()).not.toContain('cookie');
  } finally {
    await app.close();
  }
}, 30_000);
