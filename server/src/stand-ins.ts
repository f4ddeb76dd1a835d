/**
 * `[--fault NAME] [--severity 0..1] [--seed N] [--port N]`: simulated instruments on loopback, all at one simulated vehicle,
 * until this process ends. Prints their addresses as JSON: from `--port` on, or wherever ports are free.
 */
import { FAULT_NAMES } from '@tetrad/core';
import { parseArgs } from 'node:util';
import { SimulatedYard } from './instruments/stand-ins/simulated-yard';
import { analyzer, clamp, meter, vehicleData } from './instruments/stand-ins/stand-ins';

const { values } = parseArgs({
  options: {
    fault: { type: 'string', default: 'none' },
    severity: { type: 'string', default: '0.7' },
    seed: { type: 'string', default: '1' },
    port: { type: 'string', default: '0' },
  },
});
const fail = (why: string): never => {
  process.stderr.write(`${why}\n`);
  process.exit(1);
};
const fault =
  FAULT_NAMES.find((name) => name === values.fault) ??
  fail(`--fault is ${values.fault}; allowed are ${FAULT_NAMES.join(', ')}`);
const number = (name: 'severity' | 'seed' | 'port', min: number, max: number): number => {
  const value = Number(values[name]);
  return value >= min && value <= max ? value : fail(`--${name} is ${values[name]}; allowed is ${min} to ${max}`);
};
const yard = new SimulatedYard({
  fault,
  severity: number('severity', 0, 1),
  seed: number('seed', 0, Number.MAX_SAFE_INTEGER),
});
const first = number('port', 0, 65_000);
const addresses: Record<string, string> = {};
for (const [place, [name, server]] of Object.entries({
  meter: meter(yard),
  clamp: clamp(yard),
  analyzer: analyzer(yard),
  vehicle: vehicleData(yard),
}).entries()) {
  const wanted = first === 0 ? 0 : first + place;
  const port = await server.listen(wanted).catch(() => server.listen(0));
  addresses[name] = `tcp://127.0.0.1:${port}`;
}
process.stdout.write(`${JSON.stringify(addresses)}\n`);
// whoever began this has ended
process.stdin.resume().on('end', () => process.exit(0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(0));
