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

interface Options {
  readonly fault?: string;
  readonly severity?: string;
  readonly seed?: string;
  readonly capture?: string;
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
    .action(simulate);
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
