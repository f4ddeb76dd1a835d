/** Instruments over real TCP: what answers rightly is shown, and nothing else ever becomes a value. */
import { createServer } from 'node:net';
import type { AddressInfo, Server, Socket } from 'node:net';
import { SimulatedYard } from '../src/instruments/stand-ins/simulated-yard';
import { clamp, meter, vehicleData } from '../src/instruments/stand-ins/stand-ins';
import { InstrumentLink } from '../src/instruments/live/instrument-link';
import type { LiveState } from '@tetrad/core';
import { LiveInstruments } from '../src/instruments/live/live-instruments';
import type { LiveNews } from '../src/instruments/live/live-instruments';
import type { InstrumentFunction } from '@tetrad/core';

const closing: (() => unknown)[] = [];
afterEach(async () => {
  for (const close of closing.splice(0).reverse()) await close();
});

/** A port that behaves as a test wants. */
async function behaving(answer: (line: string, socket: Socket) => void, greet?: (socket: Socket) => void) {
  const sockets = new Set<Socket>();
  const server: Server = createServer((socket) => {
    sockets.add(socket);
    socket.setEncoding('latin1').on('error', () => undefined);
    greet?.(socket);
    socket.on('data', (text) =>
      String(text)
        .split('\n')
        .filter(Boolean)
        .forEach((line) => answer(line.trim(), socket)),
    );
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  closing.push(() => {
    sockets.forEach((socket) => socket.destroy());
    server.close();
  });
  return {
    address: { host: '127.0.0.1', port: (server.address() as AddressInfo).port },
    connections: () => sockets.size,
    cut: () => sockets.forEach((socket) => socket.destroy()),
  };
}
const meterLike =
  (read: (socket: Socket) => void) =>
  (line: string, socket: Socket): void => {
    if (line === '*IDN?') socket.write('Maker,Model,1,0\n');
    if (line === 'READ?') read(socket);
  };

function follow(
  address: { host: string; port: number },
  use: InstrumentFunction = 'volts-dc',
  scale: number | null = null,
) {
  const states: LiveState[] = [];
  const link = new InstrumentLink(address, use, { onState: (state) => states.push(state) }, scale);
  closing.push(() => link.close());
  const until = async (isSo: () => boolean, ms = 5000): Promise<void> => {
    for (const end = Date.now() + ms; Date.now() < end; await new Promise((resolve) => setTimeout(resolve, 10)))
      if (isSo()) return;
    throw new Error(`it did not come to be: ${JSON.stringify(states.slice(-5))}`);
  };
  const values = () => states.flatMap((state) => (state.state === 'value' ? [state.value] : []));
  const lost = () => states.flatMap((state) => (state.state === 'lost' ? [state.why] : []));
  return { link, states, values, lost, until };
}

describe('a meter that answers', () => {
  it('is known by its four fields, configured once, and read at most twenty times a second', async () => {
    const lines: string[] = [];
    const { address } = await behaving((line, socket) => {
      lines.push(line);
      meterLike(() => socket.write('+1.26100000E+01\r\n'))(line, socket);
    });
    const { link, values, until } = follow(address);
    const begun = Date.now();
    await until(() => values().length >= 10);
    expect((Date.now() - begun) / values().length).toBeGreaterThanOrEqual(45);
    expect(new Set(values())).toEqual(new Set([12.61]));
    expect(link.identity).toBe('Maker, Model, 1, 0');
    expect(lines.slice(0, 3)).toEqual(['*IDN?', 'CONF:VOLT:DC', 'READ?']);
    expect(lines.filter((line) => line === 'CONF:VOLT:DC')).toHaveLength(1);
  });

  it('that is over its range says so, without a figure', async () => {
    const { address } = await behaving(meterLike((socket) => socket.write('9.9E37\n')));
    const { states, values, until } = follow(address);
    await until(() => states.some(({ state }) => state === 'over-range'));
    expect(values()).toEqual([]);
  });

  it('as a clamp that gives volts is read by its scale', async () => {
    const lines: string[] = [];
    const { address } = await behaving((line, socket) => {
      lines.push(line);
      meterLike(() => socket.write('1.85\n'))(line, socket);
    });
    const { values, until } = follow(address, 'amps-dc', 10);
    await until(() => values().length > 0);
    expect(values()[0]).toBeCloseTo(185, 9);
    expect(lines).toContain('CONF:VOLT:DC');
  });
});

describe('what is no answer', () => {
  it.each<[string, string, number]>([
    ['garbage before the answer', 'hello?\n12.61\n', 1],
    ['two answers at once', '12.61\n13.99\n', 1],
    ['a wrong unit', '12.61 V\n12.61\n', 1],
    ['a line that never ends, then an answer', `${'x'.repeat(1000)}\n12.61\n`, 1],
  ])('%s is counted and ignored', async (_what, said, strays) => {
    const { address } = await behaving(meterLike((socket) => socket.write(said)));
    const { link, values, until } = follow(address);
    await until(() => values().length >= 3);
    expect(new Set(values())).toEqual(new Set([12.61]));
    expect(link.counts.strays).toBeGreaterThanOrEqual(2 * strays);
  });

  it('half a line is waited for, and put together', async () => {
    const { address } = await behaving(
      meterLike((socket) => {
        socket.write('12.');
        setTimeout(() => socket.write('61\n'), 30);
      }),
    );
    const { values, until } = follow(address);
    await until(() => values().length >= 2);
    expect(new Set(values())).toEqual(new Set([12.61]));
  });

  it('a flood ends the connection, and no value comes of it', async () => {
    const { address } = await behaving(meterLike((socket) => socket.write('x\n'.repeat(2000))));
    const { values, lost, until } = follow(address);
    await until(() => lost().length > 0);
    expect(lost()[0]).toBe('it says more than anybody can read');
    expect(values()).toEqual([]);
  });

  it('another protocol is told as no instrument', async () => {
    const { address } = await behaving((_line, socket) => socket.write('HTTP/1.1 400 Bad Request\n'));
    const { lost, until } = follow(address);
    await until(() => lost().length > 0);
    expect(lost()[0]).toContain('is no instrument');
  });

  it('a port where nobody listens is told, and tried again with growing pauses', async () => {
    const { address } = await behaving(() => undefined);
    await closing.pop()!();
    const { lost, states, until } = follow(address);
    await until(() => lost().length >= 3, 8000);
    expect(lost()[0]).toBe('nothing listens there');
    expect(states.filter(({ state }) => state === 'connecting').length).toBeLessThanOrEqual(4);
  });

  it('silence is told after two seconds', async () => {
    const { address } = await behaving(meterLike(() => undefined));
    const { lost, until } = follow(address);
    const begun = Date.now();
    await until(() => lost().length > 0, 4000);
    expect(lost()[0]).toBe('it did not answer within 2 s');
    expect(Date.now() - begun).toBeGreaterThan(1900);
  });
});

it('an instrument that was unplugged is read again when it is back', async () => {
  const port = await behaving(meterLike((socket) => socket.write('12.61\n')));
  const { values, lost, until } = follow(port.address);
  await until(() => values().length > 2);
  port.cut();
  await until(() => lost().length > 0);
  const before = values().length;
  await until(() => values().length > before + 2);
});

describe('those who watch', () => {
  it('share one connection, see what the first chose, and with the last it ends', async () => {
    const port = await behaving(meterLike((socket) => socket.write('12.61\n')));
    const live = new LiveInstruments();
    const instrument = { key: 'one meter', address: port.address, millivoltsPerAmp: null };
    const [first, second]: [LiveNews[], LiveNews[]] = [[], []];
    const leave = live.watch(instrument, 'volts-dc', 'Ilse', (news) => first.push(news));
    const leaveToo = live.watch(instrument, 'volts-ac', 'Bo', (news) => second.push(news));
    while (second.filter(({ state }) => state === 'value').length < 2)
      await new Promise((resolve) => setTimeout(resolve, 10));
    expect(port.connections()).toBe(1);
    expect(second.at(-1)).toMatchObject({ use: 'volts-dc', owner: 'Ilse', identity: 'Maker, Model, 1, 0' });
    leave();
    expect(live.open).toBe(1);
    leaveToo();
    expect(live.open).toBe(0);
  });
});

it('the simulated instruments tell of one vehicle: it dips when it cranks, and charges when it runs', async () => {
  const yard = new SimulatedYard({ fault: 'none', severity: 0.5, seed: 5 });
  closing.push(() => yard.close());
  const [volts, amps, data] = [meter(yard), clamp(yard), vehicleData(yard)];
  const ports = await Promise.all([volts, amps, data].map((server) => server.listen(0)));
  for (const server of [volts, amps, data]) closing.push(() => server.close());
  const at = (place: number) => ({ host: '127.0.0.1', port: ports[place]! });
  const [meterSeen, clampSeen, vehicleSeen] = [follow(at(0)), follow(at(1), 'amps-dc'), follow(at(2), 'module-volts')];
  await meterSeen.until(() => meterSeen.values().length > 5);
  const rest = meterSeen.values().at(-1)!;
  yard.set({ key: 'start', hasFuel: false });
  await meterSeen.until(() => meterSeen.values().at(-1)! < rest - 0.8);
  await clampSeen.until(() => clampSeen.values().at(-1)! > 50);
  yard.set({ hasFuel: true });
  await meterSeen.until(() => yard.instant.isRunning);
  yard.set({ key: 'on', throttle: 0.5 });
  await meterSeen.until(() => meterSeen.values().at(-1)! > rest + 0.5, 8000);
  expect(vehicleSeen.values().at(-1)!).toBeGreaterThan(rest);
}, 30_000);
