/** What a server process is told by its environment: a wrong word is refused by its variable, what it holds and what is allowed. */
import { readConfig } from '../src/config';

const DATABASE = { TETRAD_DATABASE_URL: 'postgres://tetrad:pw@127.0.0.1:5432/tetrad' };
const read = (more: NodeJS.ProcessEnv = {}) => readConfig({ ...DATABASE, ...more });

it('needs no more than a database, and lets nobody in without a password then', () => {
  const config = read();
  expect(config).toMatchObject({
    host: '127.0.0.1',
    processes: 1,
    demoDoor: 'closed',
    tls: null,
    singleSignOn: null,
    standbyUrl: null,
    backupsFolder: null,
    names: [],
  });
});

it('makes the session secret from the database’s password: the same on every host, another for another password', () => {
  const other = readConfig({ TETRAD_DATABASE_URL: DATABASE.TETRAD_DATABASE_URL.replace('pw', 'px') });
  const elsewhere = readConfig({
    TETRAD_DATABASE_URL: DATABASE.TETRAD_DATABASE_URL.replace('127.0.0.1', 'db.example'),
  });
  expect(elsewhere.sessionSecret).toBe(read().sessionSecret);
  expect(other.sessionSecret).not.toBe(read().sessionSecret);
  expect(read().sessionSecret).not.toContain('pw');
  expect(read({ TETRAD_SESSION_SECRET: 'own' }).sessionSecret).toBe('own');
});

it.each([
  [{ TETRAD_DATABASE_URL: '' }, 'TETRAD_DATABASE_URL is not set'],
  [{ TETRAD_PORT: '70000' }, 'TETRAD_PORT is 70000: it must be a whole number from 0 to 65535'],
  [{ TETRAD_PORT: 'http' }, 'TETRAD_PORT is http'],
  [{ TETRAD_DEMO_DOOR: 'ajar' }, 'TETRAD_DEMO_DOOR is ajar: it must be one of closed, loopback, open'],
  [{ TETRAD_REQUESTS_A_SECOND: '0' }, 'TETRAD_REQUESTS_A_SECOND is 0'],
  [{ TETRAD_PROCESSES: '2.5' }, 'TETRAD_PROCESSES is 2.5'],
  [{ TETRAD_PROCESSES: '33' }, 'from 1 to 32'],
  [{ TETRAD_TLS_CERT: 'a.pem' }, 'belong together'],
  [{ TETRAD_TLS_KEY: 'a.key' }, 'belong together'],
  [
    { TETRAD_OIDC_ISSUER: 'https://accounts.example' },
    'not set: TETRAD_OIDC_CLIENT, TETRAD_OIDC_SECRET, TETRAD_OIDC_SHOP',
  ],
])('refuses %j', (more, says) => {
  expect(() => read(more)).toThrow(says);
});

describe('single sign-on', () => {
  const OIDC = {
    TETRAD_OIDC_ISSUER: 'https://accounts.example',
    TETRAD_OIDC_CLIENT: 'tetrad',
    TETRAD_OIDC_SECRET: 's',
    TETRAD_OIDC_SHOP: 'yard',
  };
  it('is of one shop and one issuer', () => {
    expect(read(OIDC).singleSignOn).toEqual({
      issuer: 'https://accounts.example',
      clientId: 'tetrad',
      clientSecret: 's',
      shop: 'yard',
    });
  });
  it.each(['accounts.example', 'ftp://accounts.example', 'https://'])('has no issuer %s', (issuer) => {
    expect(() => read({ ...OIDC, TETRAD_OIDC_ISSUER: issuer })).toThrow(`TETRAD_OIDC_ISSUER is ${issuer}`);
  });
});
