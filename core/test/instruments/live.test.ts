/** What comes from an instrument: numbers as the standards write them, a value that stands still, and addresses. */
import { Steadiness, TESTS, TEST_NAMES, functionOf, instrumentAddress, parseScpiNumber } from '@tetrad/core';
import fc from 'fast-check';

describe('a number of an instrument', () => {
  it.each([
    ['12', 12, 1],
    ['12.61', 12.61, 0.01],
    ['+1.26100000E+01', 12.61, 1e-7],
    [' -0.5e-3 ', -0.0005, 1e-4],
    ['3.', 3, 1],
  ])('%s', (line, value, resolution) => {
    const found = parseScpiNumber(line);
    expect(found).toEqual({ state: 'value', value, resolution: expect.any(Number) });
    if (found.state === 'value') expect(found.resolution).toBeCloseTo(resolution, 12);
  });

  it.each([
    ['9.9E37', 'over-range'],
    ['-9.90000000E+37', 'over-range'],
    ['9.91E37', 'not-a-number'],
    ['', 'garbage'],
    ['12.61 V', 'garbage'],
    ['12,61', 'garbage'],
    ['12.61;12.60', 'garbage'],
    ['NaN', 'garbage'],
    ['0x10', 'garbage'],
    ['1e999', 'garbage'],
  ])('%j is %s', (line, state) => {
    expect(parseScpiNumber(line).state).toBe(state);
  });

  it('is read from any of the three forms, and nothing else ever becomes a number', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true, min: -1e6, max: 1e6 }), (value) => {
        const found = parseScpiNumber(value.toExponential(8).toUpperCase());
        if (found.state !== 'value') throw new Error(String(value));
        expect(Math.abs(found.value - value)).toBeLessThanOrEqual(Math.abs(value) * 1e-8 + 1e-300);
      }),
    );
    fc.assert(
      fc.property(fc.string(), (line) => {
        const found = parseScpiNumber(line);
        if (found.state === 'value') expect(Number.isFinite(found.value)).toBe(true);
      }),
    );
  });
});

describe('a value is steady', () => {
  const feed = (values: readonly number[], accuracy = 0.02, everyMs = 250) => {
    const steadiness = new Steadiness(accuracy);
    return values.map((value, at) => steadiness.add(value, at * everyMs));
  };

  it('once it kept within its accuracy for a second and a half, and not before', () => {
    const standing = feed(Array.from({ length: 10 }, () => 12.61));
    expect(standing.map(({ isSteady }) => isSteady)).toEqual([...Array(6).fill(false), ...Array(4).fill(true)]);
  });

  it('not while it drifts, and again when it has come to rest', () => {
    const standing = feed([12.2, 12.3, 12.4, 12.5, 12.58, 12.6, 12.61, 12.61, 12.61, 12.61, 12.61, 12.61, 12.61]);
    expect(standing[8]!.isSteady).toBe(false);
    expect(standing.at(-1)).toMatchObject({ isSteady: true, lowest: 12.2, highest: 12.61 });
    expect(standing.at(-1)!.mean).toBeCloseTo(12.61, 2);
  });

  it('not from a single value after a pause', () => {
    const steadiness = new Steadiness(0.02);
    steadiness.add(12.6, 0);
    steadiness.reset();
    expect(steadiness.add(12.6, 60_000).isSteady).toBe(false);
  });
});

it('an address is a host and a port, and nothing else', () => {
  expect(instrumentAddress('tcp://127.0.0.1:5025')).toEqual({ host: '127.0.0.1', port: 5025 });
  expect(instrumentAddress('tcp://Meter-1.shop.local:80')).toEqual({ host: 'meter-1.shop.local', port: 80 });
  expect(instrumentAddress('tcp://[::1]:5025')).toEqual({ host: '::1', port: 5025 });
  for (const wrong of [
    '127.0.0.1:5025',
    'http://a:1',
    'tcp://a',
    'tcp://a:0',
    'tcp://a:70000',
    'tcp://a b:1',
    'tcp://a:1/x',
    'tcp://u@a:1',
  ])
    expect([wrong, instrumentAddress(wrong)]).toEqual([wrong, null]);
});

it('each test that a meter can show live has one function; what only a recording shows has none', () => {
  const functions = Object.fromEntries(TEST_NAMES.map((test) => [test, functionOf(test, TESTS[test].unit)]));
  expect(functions).toMatchObject({
    'resting-voltage': 'volts-dc',
    'starter-draw': 'amps-dc',
    'ripple-ac': 'volts-ac',
    conductance: 'conductance',
    'internal-resistance': 'battery-ohms',
    'diode-reverse': 'diode',
    'module-voltage': 'module-volts',
    'ripple-waveform': null,
    'inrush-current': null,
    'specific-gravity': null,
    'cranking-speed': 'engine-speed',
  });
});
