/** An instrument read over the server: where an administrator allowed it, told as it comes, and never a port scanner. */
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:net';
import type { AddressInfo, Server } from 'node:net';
import { addMember, startApplication } from './application';
import type { Application } from './application';

const SHOP = '/api/shops/one';
let app: Application;
let meter: Server;
let address: string;
let connections = 0;
const said: string[] = [];
beforeAll(async () => {
  app = await startApplication(undefined, { demoDoor: 'loopback' });
  meter = createServer((socket) => {
    connections++;
    socket.setEncoding('latin1').on('error', () => undefined);
    socket.on('data', (text) => {
      for (const line of String(text).split('\n')) {
        said.push(line);
        if (line === '*IDN?') socket.write('Maker,Model,1,0\n');
        else if (line === 'READ?') socket.write('12.61\n');
      }
    });
  });
  await new Promise<void>((resolve) => meter.listen(0, '127.0.0.1', resolve));
  address = `127.0.0.1:${(meter.address() as AddressInfo).port}`;
});
afterAll(async () => {
  meter.close();
  await app.close();
});

async function instrument(more: object = {}): Promise<string> {
  const id = randomUUID();
  const body = { name: 'Meter', kind: 'meter', uncertainty: { V: 0.02 }, address: `tcp://${address}`, ...more };
  expect((await app.ask('PUT', `${SHOP}/instruments/${id}`, body)).status).toBe(200);
  return id;
}
const allow = (instrumentHosts: readonly string[]) =>
  app.ask('PUT', `${SHOP}/settings`, { forgetsAtSignOut: false, instrumentHosts });
/** The first events of a stream. */
async function listen(id: string, count: number): Promise<Record<string, unknown>[]> {
  const stop = new AbortController();
  const answer = await fetch(`${app.url}${SHOP}/instruments/live?read=${id}:volts-dc`, {
    headers: { cookie: app.cookieFor(SHOP) },
    signal: stop.signal,
  });
  expect(answer.status).toBe(200);
  const seen: Record<string, unknown>[] = [];
  const decoder = new TextDecoder();
  for await (const part of answer.body as unknown as AsyncIterable<Uint8Array>) {
    for (const [, data] of decoder.decode(part).matchAll(/^data: (.*)$/gm)) seen.push(JSON.parse(data!));
    if (seen.length >= count) break;
  }
  stop.abort();
  return seen;
}

it('is told as it comes, with who it is', async () => {
  await allow([address]);
  const seen = await listen(await instrument(), 4);
  expect(seen.at(-1)).toMatchObject({ state: 'value', value: 12.61, identity: 'Maker, Model, 1, 0', owner: 'Ada' });
});

it('is asked nothing while nobody watches', async () => {
  const before = connections;
  await instrument();
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect(connections).toBe(before);
});

it('is not reached where no administrator allowed its host and port, whatever stands in its address', async () => {
  await allow(['127.0.0.1:9']);
  const before = connections;
  const [told] = await listen(await instrument(), 1);
  expect(told).toMatchObject({ state: 'lost', why: `an administrator has to allow ${address} (screen Instruments)` });
  expect(connections).toBe(before);
  const lead = await addMember(app.pool, 'one', 'Lea', 'lead');
  expect(lead).toBeDefined();
  const cookie = await app.signIn('one', 'Lea');
  const refused = await app.ask(
    'PUT',
    `${SHOP}/settings`,
    { forgetsAtSignOut: false, instrumentHosts: [address] },
    cookie,
  );
  expect(refused.status).toBe(403);
  await allow([address]);
});

it.each([
  ['address', { address: '127.0.0.1:80' }],
  ['address', { address: 'http://127.0.0.1:80' }],
  ['address', { address: 'tcp://127.0.0.1:0' }],
  ['millivoltsPerAmp', { millivoltsPerAmp: 0 }],
])('a wrong %s is refused by name: %j', async (field, more) => {
  const body = { name: 'Meter', kind: 'meter', uncertainty: {}, ...more };
  const { status, body: told } = await app.ask('PUT', `${SHOP}/instruments/${randomUUID()}`, body);
  expect([status, told.errors[0].field]).toEqual([422, field]);
});

it.each([[['no port']], [['a:1:2']], [[3]], ['127.0.0.1:1'], [Array.from({ length: 51 }, (_, i) => `a:${i + 1}`)]])(
  'a wrong list of hosts is refused: %j',
  async (hosts) => {
    const { status, body } = await allow(hosts as string[]);
    expect([status, body.errors[0].field]).toEqual([422, 'instrumentHosts']);
  },
);

it('a function that is none, and an instrument without address, are said by name', async () => {
  const id = await instrument();
  for (const read of [`${id}:magic`, 'nobody:volts-dc', '', Array(5).fill(`${id}:volts-dc`).join(',')]) {
    const { status, body } = await app.ask('GET', `${SHOP}/instruments/live?read=${read}`);
    expect([read, status, body.errors[0].field]).toEqual([read, 422, 'read']);
  }
  const unknown = await app.ask('GET', `${SHOP}/instruments/live?read=${randomUUID()}:volts-dc`);
  expect(unknown.status).toBe(404);
  const [blind] = await listen(await instrument({ address: '' }), 1);
  expect(blind).toMatchObject({ state: 'lost', why: 'it has no address (screen Instruments)' });
});

it('two instruments come in one stream, each by its own name', async () => {
  const [one, two] = [await instrument(), await instrument({ name: 'Other meter' })];
  const seen = await listen(`${one}:volts-dc,${two}`, 8);
  const values = seen.filter(({ state }) => state === 'value').map(({ instrument }) => instrument);
  expect(new Set(values)).toEqual(new Set([one, two]));
});

it('a clamp is zeroed while it is read, and its values go on', async () => {
  await allow([address]);
  const id = await instrument({ kind: 'meter-and-clamp' });
  const watching = listen(id, 8);
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect((await app.ask('POST', `${SHOP}/instruments/${id}/zero`, {})).status).toBe(204);
  expect((await watching).at(-1)).toMatchObject({ state: 'value', value: 12.61 });
  expect(said.filter((line) => line === 'SENS:ZERO:AUTO ONCE')).toHaveLength(1);
});
