/** Several serving processes, one connection to each instrument. */
import { createServer } from 'node:net';
import type { AddressInfo, Server, Socket } from 'node:net';
import { InstrumentsForOthers, InstrumentsOfFirst } from '../src/instruments/live/across-processes';
import type { LiveNews } from '../src/instruments/live/live-instruments';

let meter: Server;
let open: Set<Socket>;
let first: InstrumentsForOthers;
let processes: readonly InstrumentsOfFirst[];
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

beforeEach(async () => {
  open = new Set();
  meter = createServer((socket) => {
    open.add(socket);
    socket.on('close', () => open.delete(socket)).on('error', () => undefined);
    socket.setEncoding('latin1').on('data', (text) => {
      for (const line of String(text).split('\n'))
        if (line === '*IDN?') socket.write('Maker,Model,1,0\n');
        else if (line === 'READ?') socket.write('12.61\n');
    });
  });
  await new Promise<void>((resolve) => meter.listen(0, '127.0.0.1', resolve));
  first = new InstrumentsForOthers();
  // what is sent between processes is copied
  processes = [1, 2].map((worker) => {
    const own: InstrumentsOfFirst = new InstrumentsOfFirst((request) =>
      first.hear(worker, structuredClone(request), (answer) => own.hear(structuredClone(answer))),
    );
    return own;
  });
});
afterEach(() => {
  first.closeAll();
  meter.close();
});

function watch(process: number, owner: string) {
  const news: LiveNews[] = [];
  const { port } = meter.address() as AddressInfo;
  const instrument = { key: 'one meter', address: { host: '127.0.0.1', port }, millivoltsPerAmp: null };
  const end = processes[process]!.watch(instrument, 'volts-dc', owner, (one) => news.push(one));
  return { news, end };
}

it('benches at two processes see the same instrument over one connection, and who chose its function', async () => {
  const [one, two] = [watch(0, 'Ada'), watch(1, 'Bo')];
  await wait(200);
  expect(open.size).toBe(1);
  for (const { news } of [one, two])
    expect(news.at(-1)).toMatchObject({ state: 'value', value: 12.61, owner: 'Ada', identity: 'Maker, Model, 1, 0' });
});

it('the connection ends with the last bench that looks, at whichever process', async () => {
  const [one, two] = [watch(0, 'Ada'), watch(1, 'Bo')];
  await wait(150);
  one.end();
  const heard = two.news.length;
  await wait(150);
  expect([open.size, two.news.length > heard]).toEqual([1, true]);
  two.end();
  await wait(50);
  expect(open.size).toBe(0);
});

it('a process that ends takes its watching with it', async () => {
  watch(0, 'Ada');
  await wait(100);
  first.forget(1);
  await wait(50);
  expect(open.size).toBe(0);
});
