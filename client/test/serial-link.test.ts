/** A meter on a serial port of this computer, by a port of the test's own: the same lines as over the server. */
import type { Subscription } from 'rxjs';
import { serialReadings } from '../src/app/instruments/serial/serial-link';
import type { SerialNews } from '../src/app/instruments/serial/serial-link';
import type { SerialPortLike } from '../src/app/instruments/serial/serial-port';
import { SerialPorts } from '../src/app/instruments/serial/serial-ports';

interface Chunk {
  readonly value?: Uint8Array;
  readonly done: boolean;
}
/** A port, and the instrument at its other end. */
function port(answer: (line: string) => string | null) {
  const asked: string[] = [];
  const coming: Chunk[] = [];
  let take: ((chunk: Chunk) => void) | null = null;
  const give = (chunk: Chunk): void => {
    if (take) take(chunk);
    else coming.push(chunk);
    take = null;
  };
  const read = (): Promise<Chunk> => {
    const next = coming.shift();
    return next ? Promise.resolve(next) : new Promise((resolve) => (take = resolve));
  };
  let rest = '';
  const write = (part: Uint8Array): Promise<void> => {
    const lines = (rest + Buffer.from(part).toString('latin1')).split('\n');
    rest = lines.pop()!;
    for (const line of lines) {
      asked.push(line);
      const said = answer(line);
      if (said !== null) give({ value: Uint8Array.from(Buffer.from(said, 'latin1')), done: false });
    }
    return Promise.resolve();
  };
  const releaseLock = (): void => undefined;
  const own = {
    readable: { getReader: () => ({ read, cancel: () => Promise.resolve(), releaseLock }) },
    writable: { getWriter: () => ({ write, releaseLock }) },
    open: jest.fn(() => Promise.resolve()),
    close: jest.fn(() => Promise.resolve()),
  };
  return { own: own as unknown as SerialPortLike, asked, unplug: () => give({ done: true }) };
}
const METER = (line: string): string | null =>
  line === '*IDN?' ? 'Maker,Model,1,0\r\n' : line === 'READ?' ? '+1.2610E+01\r\n' : null;
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

let listening: Subscription | null = null;
afterEach(() => listening?.unsubscribe());
function listen(given: ReturnType<typeof port>, use: 'volts-dc' | 'amps-dc' = 'volts-dc', scale: number | null = null) {
  const news: SerialNews[] = [];
  listening = serialReadings(given.own, use, scale).subscribe((one) => news.push(one));
  return news;
}

it('is asked who it is, set to its function, and read again and again', async () => {
  const meter = port(METER);
  const news = listen(meter);
  await wait(250);
  expect(meter.asked.slice(0, 3)).toEqual(['*IDN?', 'CONF:VOLT:DC', 'READ?']);
  expect(meter.asked.filter((line) => line === 'READ?').length).toBeGreaterThan(2);
  expect(news.at(-1)).toEqual({ state: 'value', value: 12.61, resolution: 0.001, identity: 'Maker, Model, 1, 0' });
});

it('a clamp that gives volts is read by its scale', async () => {
  const meter = port(METER);
  const news = listen(meter, 'amps-dc', 10);
  await wait(150);
  expect(meter.asked).toContain('CONF:VOLT:DC');
  expect(news.at(-1)).toMatchObject({ state: 'value', value: expect.closeTo(1261, 3) });
});

it('an instrument that says nothing, and one that is unplugged, is lost and leaves no figure', async () => {
  const meter = port(METER);
  const news = listen(meter);
  await wait(150);
  meter.unplug();
  await wait(50);
  expect(news.at(-1)).toMatchObject({ state: 'lost', why: 'the port was unplugged' });
  const dumb = listen(port(() => null));
  await wait(2300);
  expect(dumb.at(-1)).toMatchObject({ state: 'lost', why: 'it did not answer within 2 s' });
});

it('garbage between its answers is ignored', async () => {
  const meter = port((line) => (line === 'READ?' ? '~~~\r\n12.61\r\n' : METER(line)));
  const news = listen(meter);
  await wait(200);
  expect(news.filter(({ state }) => state === 'value').length).toBeGreaterThan(1);
  expect(news.every((one) => one.state !== 'value' || one.value === 12.61)).toBe(true);
});

describe('the ports of this computer', () => {
  const withSerial = (serial: unknown): void =>
    void Object.defineProperty(navigator, 'serial', { value: serial, configurable: true });
  afterEach(() => withSerial(undefined));

  it('a browser that has none says so', async () => {
    expect(await new SerialPorts().connect('one')).toContain('no serial ports');
  });
  it('a port that was chosen belongs to its instrument until it is disconnected', async () => {
    const { own } = port(METER);
    withSerial({ requestPort: () => Promise.resolve(own) });
    const ports = new SerialPorts();
    expect(await ports.connect('one')).toBeNull();
    expect([ports.of('one'), ports.of('two')]).toEqual([own, null]);
    await ports.disconnect('one');
    expect([ports.of('one'), (own.close as jest.Mock).mock.calls.length]).toEqual([null, 1]);
  });
  it('a port that cannot be opened says why; one that nobody chose says nothing', async () => {
    withSerial({ requestPort: () => Promise.reject(new DOMException('none', 'NotFoundError')) });
    expect(await new SerialPorts().connect('one')).toBeNull();
    withSerial({ requestPort: () => Promise.reject(new Error('in use')) });
    expect(await new SerialPorts().connect('one')).toContain('in use');
  });
});
