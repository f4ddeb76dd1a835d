/** Recorded starts of the demo, made by the circuit model, each in another dialect and with something to see. */
import { SimulatedVisit, randomOf, recorded, startRecord, writeDialect } from '@tetrad/core';
import type { Dialect, FaultName, RecorderOptions, StartOptions, System, Vehicle } from '@tetrad/core';

export interface DemoCapture {
  /** Which of the demo's jobs it belongs to, from 0. */
  readonly job: number;
  readonly name: string;
  readonly fault: FaultName;
  readonly start?: StartOptions;
  readonly recorder?: RecorderOptions;
  readonly dialect: Partial<Dialect>;
}

const SEVERITY = 0.45;
const MAX_SEEDS = 400;

export const DEMO_CAPTURES: readonly DemoCapture[] = [
  { job: 0, name: 'cold-start.csv', fault: 'battery-worn', dialect: { units: 'in-names' } },
  {
    job: 1,
    name: 'before.csv',
    fault: 'cable-starter-ground',
    start: { sampleRateHz: 5000 },
    dialect: { delimiter: ';', decimal: ',', units: 'row', called: { time: 'Time', volts: 'Battery', amps: 'Clamp' } },
  },
  {
    job: 1,
    name: 'after.csv',
    fault: 'none',
    start: { sampleRateHz: 5000, restS: 0.6 },
    dialect: { delimiter: ';', decimal: ',', units: 'row', called: { time: 'Time', volts: 'Battery', amps: 'Clamp' } },
  },
  {
    job: 2,
    name: 'compressions.tsv',
    fault: 'none',
    start: { sampleRateHz: 5000, crankS: 4, fires: false, weakCylinder: { index: 4, share: 0.45 } },
    dialect: { delimiter: '\t', time: 'ms', units: 'in-names' },
  },
  {
    job: 3,
    name: 'no-charge.csv',
    fault: 'alternator-dead',
    start: { sampleRateHz: 2000, afterS: 8 },
    dialect: { time: 'interval', notes: ['Recorder 2, bay 4', 'Sample interval: 0.5 ms'], units: 'in-names' },
  },
  {
    job: 4,
    name: 'ripple.csv',
    fault: 'alternator-diode',
    start: { sampleRateHz: 20_000, restS: 0.3, keyOnS: 0.3, crankS: 1.6, afterS: 3, diode: 'open' },
    dialect: { time: 'clock', newline: '\r\n', called: { time: 'Time', volts: 'Posts (V)', amps: 'Clamp (A)' } },
  },
  {
    job: 6,
    name: 'small-clamp.csv',
    fault: 'none',
    start: { sampleRateHz: 5000 },
    recorder: { ceilingAmps: 110 },
    dialect: {
      amps: { clampMillivoltsPerAmp: 10, unit: 'mV' },
      units: 'in-names',
      notes: ['Clamp at 10 mV/A'],
      byteOrderMark: true,
    },
  },
];

/** A simulated vehicle as large as one of the demo's: same volts, same cylinders. */
function vehicleLike({ nominalVolts, engine }: System, fault: FaultName): { vehicle: Vehicle; seed: number } {
  for (let seed = 1; seed <= MAX_SEEDS; seed++) {
    const { vehicle } = new SimulatedVisit({ faults: [fault], severity: SEVERITY, seed });
    if (vehicle.system.nominalVolts === nominalVolts && vehicle.system.engine?.cylinders === engine?.cylinders)
      return { vehicle, seed };
  }
  throw new Error(`no simulated vehicle of ${nominalVolts} V with ${engine?.cylinders} cylinders`);
}

/** The file as a recorder would have written it. */
export function demoFile({ fault, start, recorder, dialect }: DemoCapture, system: System): Buffer {
  const { vehicle, seed } = vehicleLike(system, fault);
  const record = recorded(startRecord(vehicle, start), randomOf(seed), recorder);
  return Buffer.from([...writeDialect(record, dialect)].join(''));
}
