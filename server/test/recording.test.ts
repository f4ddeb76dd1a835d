/** A recorder records a start over its own protocol, and its blocks become a capture without a file. */
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:net';
import type { AddressInfo, Server } from 'node:net';
import { analyzeRecording, readCapture } from '@tetrad/core/capture';
import { SimulatedYard } from '../src/instruments/stand-ins/simulated-yard';
import { recorder } from '../src/instruments/stand-ins/stand-ins';
import type { ScpiServer } from '../src/instruments/stand-ins/scpi-server';
import { startApplication } from './application';
import type { Application } from './application';

const SHOP = '/api/shops/one';
const SETTINGS = { seconds: 6, samplesPerSecond: 2000, triggerAmps: 60, waitSeconds: 20 };
let yard: SimulatedYard;
let scope: ScpiServer;
let app: Application;
let port: number;
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

beforeAll(async () => {
  yard = new SimulatedYard({ fault: 'none', severity: 0.5, seed: 5 });
  scope = recorder(yard);
  port = await scope.listen(0);
  app = await startApplication(undefined, { demoDoor: 'loopback' });
  await allow(port);
});
afterAll(async () => {
  yard.close();
  await scope.close();
  await app.close();
});

const allow = (...ports: readonly number[]) =>
  app.ask('PUT', `${SHOP}/settings`, {
    forgetsAtSignOut: false,
    instrumentHosts: ports.map((one) => `127.0.0.1:${one}`),
  });
async function instrument(at: number, kind = 'scope'): Promise<string> {
  const id = randomUUID();
  const body = { name: 'Recorder', kind, uncertainty: {}, address: `tcp://127.0.0.1:${at}` };
  expect((await app.ask('PUT', `${SHOP}/instruments/${id}`, body)).status).toBe(200);
  return id;
}
const record = (id: string, change: object = {}) =>
  app.ask('POST', `${SHOP}/instruments/${id}/recordings`, { ...SETTINGS, ...change });

it('a start that is cranked while it waits is recorded from before its first current, and can be taken apart', async () => {
  const recording = record(await instrument(port));
  await wait(600);
  yard.set({ key: 'start', hasFuel: false });
  await wait(3500);
  yard.set({ key: 'off' });
  const { status, body } = await recording;
  expect(status).toBe(200);
  const capture = readCapture(new TextEncoder().encode(JSON.stringify(body)));
  expect([capture.sampleRateHz, capture.samples]).toEqual([expect.closeTo(2000, 0), 12_000]);
  const found = analyzeRecording(capture, { cylinders: yard.vehicle.system.engine?.cylinders ?? 4 });
  expect(found.segments.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['rest', 'inrush', 'crank']));
  const read = new Map(found.readings.map(({ test, value }) => [test, value]));
  expect(read.get('starter-draw')).toBeGreaterThan(60);
  expect(read.get('cranking-voltage')).toBeLessThan(read.get('resting-voltage') ?? 0);
}, 30_000);

it('one records for one at a time, and another is told so', async () => {
  const id = await instrument(port);
  const first = record(id);
  await wait(300);
  const second = await record(id);
  expect([second.status, second.body.detail]).toEqual([503, expect.stringContaining('for somebody else')]);
  yard.set({ key: 'start', hasFuel: false });
  await wait(1500);
  yard.set({ key: 'off' });
  expect((await first).status).toBe(200);
}, 30_000);

it.each([
  ['seconds', { seconds: 31 }],
  ['samplesPerSecond', { samplesPerSecond: 2.5 }],
  ['triggerAmps', { triggerAmps: 0 }],
  ['waitSeconds', { waitSeconds: 'long' }],
])('a wrong %s is refused by name', async (field, change) => {
  const { status, body } = await record(await instrument(port), change);
  expect([status, body.errors[0].field]).toEqual([422, field]);
});

it('what is no recorder, and what nobody allowed, records nothing', async () => {
  const meter = await record(await instrument(port, 'meter'));
  expect([meter.status, meter.body.errors[0].found]).toEqual([422, 'meter']);
  const elsewhere = await record(await instrument(9));
  expect([elsewhere.status, elsewhere.body.detail]).toEqual([503, expect.stringContaining('has to allow 127.0.0.1:9')]);
});

describe('a recorder that misbehaves is named with what it did, and nothing is kept', () => {
  let odd: Server;
  let answers: Readonly<Record<string, string | Buffer | null>>;
  let oddPort: number;
  const GOOD = { '*IDN?': 'A,B,C,D', '*OPC?': '1', 'WAV:XINC?': '5E-4', 'WAV:UNIT? CH1': 'V', 'WAV:UNIT? CH2': 'A' };
  beforeAll(async () => {
    odd = createServer((socket) => {
      socket.on('error', () => undefined).setEncoding('latin1');
      socket.on('data', (text) => {
        for (const line of String(text).split('\n').filter(Boolean)) {
          const answer = answers[line];
          if (answer === null) socket.destroy();
          else if (answer !== undefined) {
            socket.write(answer);
            socket.write('\n');
          }
        }
      });
    });
    await new Promise<void>((resolve) => odd.listen(0, '127.0.0.1', resolve));
    oddPort = (odd.address() as AddressInfo).port;
    await allow(port, oddPort);
  });
  afterAll(() => odd.close());

  it.each<[string, Record<string, string | Buffer | null>, RegExp]>([
    ['says who it is in two words', { '*IDN?': 'a b' }, /no instrument/],
    ['cuts the connection in mid-record', { '*OPC?': null }, /cut the connection/],
    ['tells a step that is no number', { 'WAV:XINC?': 'soon' }, /"soon" to WAV:XINC/],
    ['tells its volts in degrees', { 'WAV:UNIT? CH1': 'C' }, /CH1 is in "C"/],
    ['answers with a line instead of a block', { 'WAV:DATA? CH1': '12.6,12.5' }, /no.*block|block of samples/],
    ['announces more than was asked for', { 'WAV:DATA? CH1': '#899999999' }, /announced 99999999 bytes/],
    ['ends within a sample', { 'WAV:DATA? CH1': Buffer.from('#800000006abcdef') }, /ends within a sample/],
    [
      'has channels of two lengths',
      { 'WAV:DATA? CH1': '#800000004abcd', 'WAV:DATA? CH2': '#800000008abcdefgh' },
      /two channels have different lengths/,
    ],
  ])('%s', async (_what, change, told) => {
    answers = { ...GOOD, ...change };
    const { status, body } = await record(await instrument(oddPort));
    expect([status, body.detail]).toEqual([503, expect.stringMatching(told)]);
  });
});
