/** Hands on the simulated vehicle of the demo, over the server: its instruments show what they do. */
import { SimulatedYard } from '../src/instruments/stand-ins/simulated-yard';
import { vehicleData } from '../src/instruments/stand-ins/stand-ins';
import type { ScpiServer } from '../src/instruments/stand-ins/scpi-server';
import { startApplication } from './application';
import type { Application } from './application';

const PATH = '/api/shops/one/simulated-vehicle';
let yard: SimulatedYard;
let data: ScpiServer;
let app: Application;
beforeAll(async () => {
  yard = new SimulatedYard({ fault: 'none', severity: 0.5, seed: 5 });
  data = vehicleData(yard);
  const port = await data.listen(0);
  app = await startApplication(undefined, { standIns: { vehicle: `tcp://127.0.0.1:${port}` } });
});
afterAll(async () => {
  yard.close();
  await data.close();
  await app.close();
});
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

it('crank without fuel, start with it, and tell how the vehicle stands', async () => {
  const rest = yard.volts;
  const cranked = await app.ask('POST', PATH, { key: 'start', hasFuel: false, at: 'cranking-voltage' });
  expect([cranked.status, cranked.body]).toEqual([200, expect.objectContaining({ key: 'start', hasFuel: false })]);
  await wait(1500);
  expect(yard.volts).toBeLessThan(rest - 0.8);
  expect(yard.instant.isRunning).toBe(false);
  await app.ask('POST', PATH, { hasFuel: true });
  await wait(500);
  expect((await app.ask('POST', PATH, { key: 'on' })).body).toMatchObject({ key: 'on', isRunning: true });
  await app.ask('POST', PATH, { key: 'off' });
});

it('put leads across a path: it loses volts while the starter draws, and none at rest', async () => {
  await app.ask('POST', PATH, { at: 'drop-starter-ground' });
  await wait(50);
  expect(yard.volts).toBe(0);
  await app.ask('POST', PATH, { key: 'start', hasFuel: false });
  await wait(1200);
  expect(yard.volts).toBeGreaterThan(0.005);
  await app.ask('POST', PATH, { key: 'off', at: 'resting-voltage' });
});

it.each([
  ['key', { key: 'sideways' }],
  ['throttle', { throttle: 2 }],
  ['at', { at: 'moon' }],
  ['fault', { fault: 'rust' }],
  ['seed', { seed: 1.5 }],
])('a wrong %s is refused by name', async (field, body) => {
  const { status, body: told } = await app.ask('POST', PATH, body);
  expect([status, told.errors[0].field]).toEqual([422, field]);
});

it('are not there where no vehicle is simulated, and told where it does not answer', async () => {
  const real = await startApplication();
  expect((await real.ask('POST', PATH, { key: 'on' })).status).toBe(404);
  await real.close();
  const gone = await startApplication(undefined, { standIns: { vehicle: 'tcp://127.0.0.1:9' } });
  const { status, body } = await gone.ask('POST', PATH, { key: 'on' });
  expect([status, body.type]).toEqual([503, expect.stringContaining('instrument-away')]);
  await gone.close();
});
