/** The simulated instruments that ship with the product, all at one simulated vehicle. */
import { FAULT_NAMES, INSTRUMENTS, convertRating } from '@tetrad/core';
import type { RatingStandard } from '@tetrad/core';
import { smallSignalOhm, testerCca, voltDigit } from '../../../../core/src/simulation';
import { Display } from './display';
import type { DisplayRow } from './display';
import { ScpiServer } from './scpi-server';
import type { Commands } from './scpi-server';
import type { Recorded, SimulatedYard } from './simulated-yard';

const MAKER = 'Simulated';
const VERSION = '0.3';
const STANDARDS: readonly RatingStandard[] = ['SAE', 'EN', 'DIN', 'IEC'];

/** Noise as a share of the value and in digits: three standard deviations. */
const noise =
  (share: number, digits: number) =>
  (size: number, digit: number): number =>
    (size * share + digit * digits) / 3;

/** A meter and a clamp have recorder, zero and functions alike. */
function displayCommands(
  display: Display,
  functions: Readonly<Record<string, DisplayRow>>,
  zero: () => void,
): Commands {
  const configure = Object.entries(functions).map(([header, row]) => [
    header,
    (range: string) => display.use(Number(range) > 0 ? { ...row, most: Number(range) } : row),
  ]);
  return {
    ...Object.fromEntries(configure),
    '*RST': () => display.use(Object.values(functions)[0]!),
    'READ?': () => display.text,
    'FETC?': () => display.text,
    'CALC:AVER:STAT': () => display.clear(),
    'CALC:AVER:CLE': () => display.clear(),
    'CALC:AVER:MIN?': () => display.recorded('MIN'),
    'CALC:AVER:MAX?': () => display.recorded('MAX'),
    'CALC:AVER:AVER?': () => display.recorded('AVER'),
    'SENS:ZERO:AUTO': () => zero(),
  };
}

export function meter(yard: SimulatedYard): ScpiServer {
  const volts: DisplayRow = { value: () => yard.volts, most: 60, digitOf: voltDigit, noiseOf: noise(0.0005, 1) };
  const functions = {
    'CONF:VOLT:DC': volts,
    'CONF:VOLT:AC': { value: () => yard.ripple, most: 60, digitOf: () => 0.001, noiseOf: noise(0.01, 2) },
    'CONF:RES': { value: () => 1e9, most: 1e6, digitOf: () => 0.1, noiseOf: noise(0, 0) },
    'CONF:DIOD': { value: () => 99, most: 3, digitOf: () => 0.001, noiseOf: noise(0, 0) },
  } as const;
  const display = new Display(volts, yard.random);
  return new ScpiServer(
    [MAKER, INSTRUMENTS.meter.name, 'M-1', VERSION],
    displayCommands(display, functions, () => undefined),
  );
}

export function clamp(yard: SimulatedYard): ScpiServer {
  // it stands a little off until it is zeroed, and drifts
  let offset = 2.4;
  const amps: DisplayRow = {
    value: () => yard.amps + offset,
    most: 1000,
    digitOf: () => 0.1,
    noiseOf: noise(0.004, 2),
  };
  const display = new Display(amps, yard.random);
  const zero = (): void => void (offset = yard.random.normal(0, 0.1));
  const commands = displayCommands(display, { 'CONF:CURR:DC': amps }, zero);
  return new ScpiServer([MAKER, INSTRUMENTS.clamp.name, 'C-1', VERSION], commands);
}

export function analyzer(yard: SimulatedYard): ScpiServer {
  let standard: RatingStandard = 'SAE';
  // clamped on once it is off by the same, whatever it is asked
  const off = { cca: yard.random.normal(0, 0.015), ohm: yard.random.normal(0, 0.02) };
  return new ScpiServer([MAKER, 'Battery analyzer', 'A-1', VERSION], {
    'CONF:COND': () => undefined,
    'SENS:COND:STAN': (given) => {
      standard = STANDARDS.find((known) => known === given.toUpperCase()) ?? standard;
    },
    'READ?': () => {
      const value = testerCca(yard.vehicle) * (1 + off.cca);
      return (convertRating({ value, standard: 'SAE' }, standard) ?? 0).toFixed(0);
    },
    'FETC:RES?': () => (smallSignalOhm(yard.vehicle) * (1 + off.ohm)).toExponential(2).toUpperCase(),
  });
}

/** Limits of the recorder: points, and samples a second. */
const MAX_POINTS = 500_000;
const RATE = { min: 500, max: 50_000 } as const;

/** IEEE 488.2-1992, 8.7.9: a block of a definite length, here of little-endian 32-bit floats. */
function block(samples: Float32Array): Buffer {
  const data = Buffer.alloc(samples.length * 4);
  samples.forEach((value, at) => data.writeFloatLE(value, at * 4));
  return Buffer.concat([Buffer.from(`#8${String(data.length).padStart(8, '0')}`), data]);
}

/** Two channels: volts at the posts, and a clamp. */
export function recorder(yard: SimulatedYard): ScpiServer {
  let settings = { samplesPerSecond: 5000, points: 50_000, triggerAmps: 30 };
  let recorded: Recorded = { volts: new Float32Array(), amps: new Float32Array() };
  let running = Promise.resolve();
  const clamp = (value: number, min: number, max: number): number => Math.min(max, Math.max(min, value || min));
  const set = (change: Partial<typeof settings>): void => void (settings = { ...settings, ...change });
  const channel = (name: string): Float32Array => (/2/.test(name) ? recorded.amps : recorded.volts);
  return new ScpiServer([MAKER, 'Recorder', 'R-1', VERSION], {
    'ACQ:SRAT': (given) => set({ samplesPerSecond: clamp(Number(given), RATE.min, RATE.max) }),
    'ACQ:POIN': (given) => set({ points: Math.round(clamp(Number(given), 100, MAX_POINTS)) }),
    'TRIG:SOUR': () => undefined,
    'TRIG:LEV': (given) => set({ triggerAmps: clamp(Math.abs(Number(given)), 0, 5000) }),
    INIT: () => {
      running = yard.record(settings).then((done) => void (recorded = done));
    },
    '*OPC?': async () => {
      await running;
      return '1';
    },
    'WAV:DATA?': (given) => block(channel(given)),
    'WAV:XINC?': () => (1 / settings.samplesPerSecond).toExponential(6).toUpperCase(),
    'WAV:UNIT?': (given) => (/2/.test(given) ? 'A' : 'V'),
  });
}

const onOff = (text: string): boolean => /^(1|ON)$/i.test(text);

/** What the vehicle tells of itself; and, as a stand-in's own, what hands do to it (`SIM:`). */
export function vehicleData(yard: SimulatedYard): ScpiServer {
  let chosen = { fault: 'none' as (typeof FAULT_NAMES)[number], severity: 0.7, seed: 1 };
  const choose = (change: Partial<typeof chosen>): void => yard.choose((chosen = { ...chosen, ...change }));
  return new ScpiServer([MAKER, 'Vehicle', 'V-1', VERSION], {
    'VEH:VOLT?': () => (yard.instant.postVolts - 0.1).toFixed(2),
    'VEH:RPM?': () => yard.instant.rpm.toFixed(0),
    'VEH:CHAR:TARG?': () => yard.target.toFixed(2),
    'VEH:CHAR:DUTY?': () => yard.instant.fieldPercent.toFixed(0),
    'VEH:TEMP?': () => yard.vehicle.celsius.toFixed(0),
    'VEH:VIN?': () => '',
    'SIM:KEY': (given) => yard.set({ key: /^STAR/i.test(given) ? 'start' : onOff(given) ? 'on' : 'off' }),
    'SIM:FUEL': (given) => yard.set({ hasFuel: onOff(given) }),
    'SIM:THR': (given) => yard.set({ throttle: Math.min(1, Math.max(0, Number(given) || 0)) }),
    'SIM:LOAD': (given) => yard.set({ loads: /^FULL/i.test(given) ? 'full' : onOff(given) ? 'on' : 'off' }),
    'SIM:LAMP': (given) => yard.set({ lamps: onOff(given) }),
    'SIM:TEST': (given) => yard.loadTest(onOff(given)),
    'SIM:CHAR': () => yard.charge(),
    'SIM:AT': (given) => void yard.leadsAt(given.toLowerCase()),
    'SIM:FAUL': (given) => {
      const fault = FAULT_NAMES.find((name) => name === given.toLowerCase());
      if (fault) choose({ fault });
    },
    'SIM:SEV': (given) => choose({ severity: Math.min(1, Math.max(0, Number(given) || 0)) }),
    'SIM:SEED': (given) => choose({ seed: Number(given) || 1 }),
    'SIM:STAT?': () =>
      JSON.stringify({
        ...chosen,
        ...yard.controls,
        isLoadTested: yard.controls.testerAmps > 0,
        isRunning: yard.instant.isRunning,
      }),
  });
}
