import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { CaptureError, MOST_BYTES, RecordingReader, takeApart, withSamples } from '@tetrad/core/capture';
import type { Recording, WavScale } from '@tetrad/core/capture';
import { UsageError } from './usage-error';

/** Bytes read at once. */
const PIECE = 1 << 22;
const PROGRESS_EVERY_MS = 500;

/** `analyse`: takes a recorded waveform apart and prints what it found. */
export async function analyseCommand(words: readonly string[]): Promise<number> {
  const { file, cylinders, wavScale, data, ...mapping } = readWords(words);
  try {
    const recording = await readFile(file, wavScale);
    const found = takeApart(recording, { cylinders, ...mapping });
    console.log(JSON.stringify(data ? withSamples(found, recording) : found, null, 2));
    return 0;
  } catch (error) {
    const isExpected = error instanceof CaptureError || (error instanceof Error && 'syscall' in error);
    if (!isExpected) throw error;
    console.error(`tetrad analyse: ${file}: ${error.message}`);
    return 1;
  }
}

/** Reads the file piece by piece; on a terminal it tells how far it is. */
async function readFile(file: string, wavScale: WavScale | null): Promise<Recording> {
  const { size } = await stat(file);
  if (size > MOST_BYTES) throw new CaptureError({ code: 'too-large', bytes: size, most: MOST_BYTES });
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

function readWords(words: readonly string[]) {
  let parsed;
  try {
    parsed = parseArgs({
      args: [...words],
      allowPositionals: true,
      options: {
        cylinders: { type: 'string' },
        'volts-column': { type: 'string' },
        'amps-column': { type: 'string' },
        'amps-per-volt': { type: 'string' },
        'full-scale-volts': { type: 'string' },
        'full-scale-amps': { type: 'string' },
        data: { type: 'boolean', default: false },
      },
    });
  } catch (error) {
    throw new UsageError(error instanceof Error ? error.message : String(error));
  }
  const { values, positionals } = parsed;
  const [file, ...more] = positionals;
  if (file === undefined || more.length > 0)
    throw new UsageError(`one file is needed, ${positionals.length} were given`);
  const volts = positive('--full-scale-volts', values['full-scale-volts']);
  const amps = positive('--full-scale-amps', values['full-scale-amps']);
  const cylinders = values.cylinders === undefined ? null : Number(values.cylinders);
  if (cylinders !== null && !(Number.isInteger(cylinders) && cylinders >= 1 && cylinders <= 16))
    throw new UsageError(`--cylinders is ${values.cylinders}; it must be a whole number from 1 to 16`);
  return {
    file,
    cylinders,
    voltsColumn: values['volts-column'],
    ampsColumn: values['amps-column'],
    ampsPerVolt: positive('--amps-per-volt', values['amps-per-volt']),
    wavScale: volts === undefined ? null : { volts, ...(amps !== undefined && { amps }) },
    data: values.data,
  };
}

function positive(option: string, word: string | undefined): number | undefined {
  if (word === undefined) return undefined;
  const value = Number(word);
  if (word.trim() === '' || !(value > 0 && Number.isFinite(value)))
    throw new UsageError(`${option} is ${word}; it must be a number above 0`);
  return value;
}
