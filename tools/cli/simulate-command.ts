import { createWriteStream } from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import {
  FAULT_NAMES,
  SimulatedVisit,
  randomOf,
  recorded,
  simulateCase,
  startRecord,
  writeCase,
  writeDialect,
} from '@tetrad/core';
import type { FaultName } from '@tetrad/core';
import type { Command } from 'commander';
import { InputError } from './input-error';
import { UsageError } from './usage-error';

/** How far a fleet is, is told this often, ms. */
const PROGRESS_MS = 5000;

interface Options {
  readonly fault?: string;
  readonly severity?: string;
  readonly seed?: string;
  readonly capture?: string;
  readonly fleet?: string;
  readonly vehicles: string;
  readonly visits: string;
  readonly shop: string;
}

export function addSimulateCommand(program: Command): void {
  program
    .command('simulate')
    .summary('write a case from the circuit model')
    .description('Writes a case from the circuit model on standard output, and the capture behind it as CSV.')
    .option('--fault <name>', `the fault that the vehicle has: ${FAULT_NAMES.join(', ')}`, 'none')
    .option('--severity <x>', 'how bad it is, 0 to 1')
    .option('--seed <n>', 'the same number gives the same vehicle', '1')
    .option('--capture <file>', 'also write the recorded start to this file')
    .option(
      '--fleet <folder|file.zip>',
      'instead write a whole shop of vehicles over five years, to be brought in with tetrad import',
    )
    .option('--vehicles <n>', 'vehicles of the fleet', '10000')
    .option('--visits <n>', 'visits of each; the first vehicle has ten times as many', '20')
    .option('--shop <id>', 'the id of its shop', 'fleet')
    .action((words: Options) => (words.fleet === undefined ? simulate(words) : simulateFleet(words, words.fleet)));
}

async function simulate(words: Options): Promise<void> {
  const fault = faultOf(words.fault ?? 'none');
  const severity = words.severity === undefined ? undefined : numberOf('--severity', words.severity, 0, 1);
  const seed = words.seed === undefined ? 1 : numberOf('--seed', words.seed, 0, 2 ** 32 - 1);
  const options = { faults: [fault], seed, ...(severity !== undefined && { severity }) };
  process.stdout.write(writeCase(simulateCase(options)));
  if (words.capture === undefined) return;
  const record = recorded(startRecord(new SimulatedVisit(options).vehicle), randomOf(seed));
  try {
    await pipeline(Readable.from(writeDialect(record)), createWriteStream(words.capture));
  } catch (error) {
    throw new InputError(
      `${words.capture} could not be written: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
}

/** A fleet, with how far it is on standard error. */
async function simulateFleet({ seed = '1', vehicles, visits, shop }: Options, to: string): Promise<void> {
  const { writeFleet } = await import('./fleet/write-fleet');
  const count = numberOf('--vehicles', vehicles, 1, 100_000);
  const began = Date.now();
  let told = 0;
  const { rows } = await writeFleet({
    vehicles: count,
    visits: numberOf('--visits', visits, 1, 200),
    seed: numberOf('--seed', seed, 0, 2 ** 32 - 1),
    shop,
    to,
    endsAt: new Date(),
    onProgress(done) {
      if (done < count && Date.now() - told < PROGRESS_MS) return;
      told = Date.now();
      process.stderr.write(`${done} of ${count} vehicles\n`);
    },
  }).catch((error: unknown) => {
    throw new InputError(error instanceof Error ? error.message : String(error));
  });
  const seconds = Math.round((Date.now() - began) / 1000);
  process.stdout.write(
    `${to}: ${Object.entries(rows)
      .map(([table, n]) => `${n} ${table}`)
      .join(', ')}; ${seconds} s\n`,
  );
}

function faultOf(word: string): FaultName {
  const fault = FAULT_NAMES.find((name) => name === word);
  if (!fault) throw new UsageError(`--fault is ${word}; known are ${FAULT_NAMES.join(', ')}`);
  return fault;
}

function numberOf(option: string, word: string, min: number, max: number): number {
  const value = Number(word);
  if (word.trim() === '' || !(value >= min && value <= max))
    throw new UsageError(`${option} is ${word}; it must be a number from ${min} to ${max}`);
  return value;
}
