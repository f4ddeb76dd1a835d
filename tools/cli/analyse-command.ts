import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { CaptureError, MAX_BYTES, RecordingReader, analyzeRecording, withSamples } from '@tetrad/core/capture';
import type { Recording, WavScale } from '@tetrad/core/capture';
import type { Command } from 'commander';
import { InputError } from './input-error';
import { UsageError } from './usage-error';

/** Bytes read at once. */
const PIECE = 1 << 22;
const PROGRESS_EVERY_MS = 500;
const MAX_CYLINDERS = 16;

interface Options {
  readonly cylinders?: string;
  readonly voltsColumn?: string;
  readonly ampsColumn?: string;
  readonly ampsPerVolt?: string;
  readonly fullScaleVolts?: string;
  readonly fullScaleAmps?: string;
  readonly data?: boolean;
}

export function addAnalyseCommand(program: Command): void {
  program
    .command('analyse')
    .alias('analyze')
    .summary('read a captured waveform and print what it found')
    .description(
      'Reads a captured waveform (CSV, WAV or tetrad-capture/1) and prints what it found (tetrad-capture/1).',
    )
    .argument('<file>', 'the recorded file')
    .option('--cylinders <n>', 'cylinders of the engine, 1 to 16: gives the cranking speed')
    .option('--volts-column <name>', 'the column that holds the volts')
    .option('--amps-column <name>', 'the column that holds the amps')
    .option('--amps-per-volt <x>', 'scale of a clamp that was recorded in volts')
    .option('--full-scale-volts <v>', 'volts at full scale, of a WAV file')
    .option('--full-scale-amps <a>', 'amps at full scale, of a WAV file')
    .option('--data', 'add the samples themselves')
    .action(analyse);
}

async function analyse(file: string, options: Options): Promise<void> {
  const { wavScale, cylinders, mapping } = settingsOf(options);
  try {
    const recording = await readFile(file, wavScale);
    const found = analyzeRecording(recording, { cylinders, ...mapping });
    console.log(JSON.stringify(options.data ? withSamples(found, recording) : found, null, 2));
  } catch (error) {
    const isExpected = error instanceof CaptureError || (error instanceof Error && 'syscall' in error);
    if (!isExpected) throw error;
    throw new InputError(`${file}: ${error.message}`);
  }
}

/** Reads the file piece by piece; on a terminal it tells how far it is. */
async function readFile(file: string, wavScale: WavScale | null): Promise<Recording> {
  const { size } = await stat(file);
  if (size > MAX_BYTES) throw new CaptureError({ code: 'too-large', bytes: size, most: MAX_BYTES });
  const reader = new RecordingReader({ wavScale });
  let read = 0;
  let told = Date.now();
  for await (const piece of createReadStream(file, { highWaterMark: PIECE })) {
    reader.push(piece as Uint8Array);
    read += (piece as Uint8Array).length;
    if (process.stderr.isTTY && Date.now() - told > PROGRESS_EVERY_MS) {
      told = Date.now();
      process.stderr.write(`\r${Math.round((100 * read) / size)} %`);
    }
  }
  return reader.finish();
}

function settingsOf(options: Options) {
  const volts = positive('--full-scale-volts', options.fullScaleVolts);
  const amps = positive('--full-scale-amps', options.fullScaleAmps);
  const cylinders = options.cylinders === undefined ? null : Number(options.cylinders);
  if (cylinders !== null && !(Number.isInteger(cylinders) && cylinders >= 1 && cylinders <= MAX_CYLINDERS))
    throw new UsageError(`--cylinders is ${options.cylinders}; it must be a whole number from 1 to ${MAX_CYLINDERS}`);
  return {
    cylinders,
    wavScale: volts === undefined ? null : { volts, ...(amps !== undefined && { amps }) },
    mapping: {
      voltsColumn: options.voltsColumn,
      ampsColumn: options.ampsColumn,
      ampsPerVolt: positive('--amps-per-volt', options.ampsPerVolt),
    },
  };
}

function positive(option: string, word: string | undefined): number | undefined {
  if (word === undefined) return undefined;
  const value = Number(word);
  if (word.trim() === '' || !(value > 0 && Number.isFinite(value)))
    throw new UsageError(`${option} is ${word}; it must be a number above 0`);
  return value;
}
