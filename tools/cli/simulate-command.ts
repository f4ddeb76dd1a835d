import { createWriteStream } from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { parseArgs } from 'node:util';
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
import { UsageError } from './usage-error';

/** `simulate`: a case from the circuit model on standard output, and the capture behind it as CSV. */
export async function simulateCommand(words: readonly string[]): Promise<number> {
  let values;
  try {
    ({ values } = parseArgs({
      args: [...words],
      options: {
        fault: { type: 'string' },
        severity: { type: 'string' },
        seed: { type: 'string' },
        capture: { type: 'string' },
      },
    }));
  } catch (error) {
    throw new UsageError(error instanceof Error ? error.message : String(error));
  }
  const fault = faultOf(values.fault ?? 'none');
  const severity = values.severity === undefined ? undefined : numberOf('--severity', values.severity, 0, 1);
  const seed = values.seed === undefined ? 1 : numberOf('--seed', values.seed, 0, 2 ** 32 - 1);
  const options = { faults: [fault], seed, ...(severity !== undefined && { severity }) };
  process.stdout.write(writeCase(simulateCase(options)));
  if (values.capture === undefined) return 0;
  const record = recorded(startRecord(new SimulatedVisit(options).vehicle), randomOf(seed));
  try {
    await pipeline(Readable.from(writeDialect(record)), createWriteStream(values.capture));
  } catch (error) {
    console.error(
      `tetrad simulate: ${values.capture} could not be written: ${error instanceof Error ? error.message : String(error)}`,
    );
    return 1;
  }
  return 0;
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
