/** `stand-in`: simulated instruments at a simulated vehicle, until Ctrl-C. */
import type { Command } from 'commander';
import { FAULT_NAMES } from '@tetrad/core';
import { SimulatedYard } from '../../server/src/instruments/stand-ins/simulated-yard';
import { listenStandIns } from '../../server/src/instruments/stand-ins/listen';
import { UsageError } from './usage-error';

interface Options {
  readonly fault: string;
  readonly severity: string;
  readonly seed: string;
  readonly port: string;
}

export function addStandInCommand(program: Command): void {
  program
    .command('stand-in')
    .summary('serve simulated instruments at a simulated vehicle')
    .description('Serves a meter, a clamp, a battery analyzer and the vehicle’s own data on loopback until Ctrl-C.')
    .option('--fault <name>', `one of ${FAULT_NAMES.join(', ')}`, 'none')
    .option('--severity <0..1>', 'how bad it is', '0.7')
    .option('--seed <n>', 'which vehicle', '1')
    .option('--port <n>', 'the first of four ports; 0 for any that are free', '0')
    .action(serve);
}

async function serve(options: Options): Promise<void> {
  const fault = FAULT_NAMES.find((name) => name === options.fault);
  if (!fault) throw new UsageError(`--fault is ${options.fault}; allowed are ${FAULT_NAMES.join(', ')}`);
  const number = (name: 'severity' | 'seed' | 'port', min: number, max: number): number => {
    const value = Number(options[name]);
    if (value >= min && value <= max) return value;
    throw new UsageError(`--${name} is ${options[name]}; allowed is ${min} to ${max}`);
  };
  const chosen = { fault, severity: number('severity', 0, 1), seed: number('seed', 0, Number.MAX_SAFE_INTEGER) };
  const port = number('port', 0, 65_000); // before the vehicle lives: its clock keeps a process going
  const addresses = await listenStandIns(new SimulatedYard(chosen), port);
  console.log(JSON.stringify(addresses));
  await new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, resolve);
  });
  process.exit(0);
}
