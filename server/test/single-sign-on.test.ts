/** A shop's own accounts let its people in: the way to the issuer and back, and every way it must not end well. */
import { shopId } from '@tetrad/contracts';
import { randomUUID } from 'node:crypto';
import { addMember, startApplication } from './application';
import type { Application } from './application';
import { CLIENT, IssuerStandIn } from './issuer-stand-in';

const issuer = new IssuerStandIn();
let app: Application;
beforeAll(async () => {
  await issuer.open();
  app = await startApplication(undefined, { singleSignOn: { ...CLIENT, issuer: issuer.url, shop: shopId('one') } });
});
afterAll(async () => {
  await app.close();
  await issuer.close();
});
afterEach(() => {
  issuer.forged = {};
});

const follow = (url: string, cookie = ''): Promise<Response> =>
  fetch(new URL(url, app.url), { redirect: 'manual', headers: { cookie } });
const cookieOf = (response: Response, name: string): string =>
  response.headers
    .getSetCookie()
    .find((line) => line.startsWith(`${name}=`))
    ?.split(';')[0] ?? '';

/** To the issuer and back, as a browser goes. @returns where it ends, and the session it has then. */
async function goThere(change: (back: string, cookie: string) => [string, string] = (...both) => both) {
  const begun = await follow('/api/session/oidc');
  const sent = await follow(begun.headers.get('location')!);
  const [back, cookie] = change(sent.headers.get('location')!, cookieOf(begun, 'tetrad.sign-on'));
  const ended = await follow(back, cookie);
  return { at: ended.headers.get('location'), cookie: cookieOf(ended, 'tetrad.session'), back, flow: cookie };
}

/** A person of shop one whom the issuer knows by an address. */
async function known(email: string): Promise<string> {
  const id = await addMember(app.pool, 'one', `P ${randomUUID().slice(0, 8)}`, 'technician');
  expect((await app.ask('PATCH', `/api/shops/one/people/${id}`, { email })).status).toBe(200);
  return id;
}
const newAddress = (): string => `${randomUUID().slice(0, 8)}@yard.example`;
const at = (sub: string, email: string, isVerified = true) =>
  (issuer.person = { sub, email, email_verified: isVerified });

describe('single sign-on', () => {
  it('is told to whoever is not signed in, and opens a session as that person', async () => {
    const absent = await app.ask('GET', '/api/session', undefined, '');
    expect(absent.body.singleSignOn).toBe('one');
    const email = newAddress();
    const id = await known(email);
    at('sub-1', email.toUpperCase());
    const { at: end, cookie } = await goThere();
    expect(end).toBe('/floor');
    const session = await app.ask('GET', '/api/session', undefined, cookie);
    expect(session.body).toMatchObject({ kind: 'device', person: { id }, hasSingleSignOn: true });
    const acts = (await app.ask('GET', '/api/shops/one/acts')).body;
    expect(acts[0]).toMatchObject({ what: 'signed-in', person: session.body.person.name });
  });

  it('knows a person by the issuer’s own name for them from then on, whatever becomes of the address', async () => {
    const [first, second] = [newAddress(), newAddress()];
    const id = await known(first);
    at('steady', first);
    await goThere();
    at('steady', second); // married, or moved to another domain
    const { cookie } = await goThere();
    expect((await app.ask('GET', '/api/session', undefined, cookie)).body.person.id).toBe(id);
    at('another', first); // the old address was given to somebody new
    expect((await goThere()).at).toContain('outcome=unknown');
  });

  it('lets nobody in whose address is not verified, not known here, or of somebody who has left', async () => {
    const email = newAddress();
    const id = await known(email);
    at('sub-3', email, false);
    expect(await goThere()).toMatchObject({ at: '/sign-in?shop=one&outcome=refused', cookie: '' });
    at('sub-3', newAddress());
    expect(await goThere()).toMatchObject({ at: '/sign-in?shop=one&outcome=unknown', cookie: '' });
    await app.ask('PATCH', `/api/shops/one/people/${id}`, { active: false });
    at('sub-3', email);
    expect(await goThere()).toMatchObject({ at: '/sign-in?shop=one&outcome=unknown', cookie: '' });
  });

  it('refuses an answer that is forged, foreign, used twice or without its beginning', async () => {
    const email = newAddress();
    await known(email);
    at('sub-4', email);
    const refused = { at: '/sign-in?shop=one&outcome=refused', cookie: '' };
    for (const forged of [{ nonce: 'other' }, { aud: 'another client' }, { iss: 'https://issuer.example' }]) {
      issuer.forged = forged;
      expect([forged, await goThere()]).toEqual([forged, expect.objectContaining(refused)]);
    }
    issuer.forged = {};
    expect(await goThere((back, cookie) => [back.replace(/state=[^&]+/, 'state=x'), cookie])).toMatchObject(refused);
    expect(await goThere((back, cookie) => [back.replace(/code=[^&]+/, 'code=x'), cookie])).toMatchObject(refused);
    expect(await goThere((back) => [back, ''])).toMatchObject(refused);
    expect(await goThere((back, cookie) => [back, `${cookie}x`])).toMatchObject(refused);
    const good = await goThere();
    expect(good.at).toBe('/floor');
    const again = await follow(good.back, good.flow);
    expect(again.headers.get('location')).toContain('outcome=refused');
  });

  it('keeps its flow from scripts, and lets it come back from another site', async () => {
    const begun = await follow('/api/session/oidc');
    expect(begun.headers.get('set-cookie')).toMatch(
      /tetrad\.sign-on=.*Path=\/api\/session\/oidc;.*HttpOnly; SameSite=Lax/,
    );
    expect(begun.headers.get('location')).toMatch(/code_challenge_method=S256/);
  });

  it('is told as away while the issuer does not answer, and works when it is back', async () => {
    const other = new IssuerStandIn();
    await other.open();
    const { url } = other;
    await other.close();
    const alone = await startApplication(undefined, { singleSignOn: { ...CLIENT, issuer: url, shop: shopId('one') } });
    const away = await alone.ask('GET', '/api/session/oidc', undefined, '');
    expect([away.status, away.body.type]).toEqual([503, expect.stringContaining('issuer-away')]);
    expect((await alone.ask('GET', '/api/shops/one/jobs')).status).toBe(200);
    await alone.close();
  });
});

describe('a person’s address', () => {
  it('is of one person in a shop, has the form of one, and can be taken away', async () => {
    const email = newAddress();
    const [id, other] = [await known(email), await known(newAddress())];
    const change = (to: string, who = id) => app.ask('PATCH', `/api/shops/one/people/${who}`, { email: to });
    expect((await change(email.toUpperCase(), other)).body.errors[0]).toMatchObject({ field: 'email' });
    expect((await change('no address')).body.errors[0]).toMatchObject({ field: 'email', found: '"no address"' });
    expect((await change('')).body.email).toBeNull();
    at('sub-5', email);
    expect((await goThere()).at).toContain('outcome=unknown');
  });
});
