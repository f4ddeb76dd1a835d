import type { RecordedWaveform } from '@tetrad/contracts';
/** Has a recorder record a start, and fetches its samples as a capture (docs/instruments.md). */
import { CAPTURE_FORMAT, SAMPLE_ENCODING } from '@tetrad/core/capture-format';
import type { InstrumentAddress } from '@tetrad/core';
import { NO_INSTRUMENT, parseIdentity, parseScpiNumber } from '@tetrad/core';
import { InstrumentFault, ReplySocket } from './reply-socket';

const ANSWER_MS = 5000;
const BLOCK_MS = 20_000;
const BYTES_A_SAMPLE = 4;

export interface WaveformSettings {
  readonly seconds: number;
  readonly samplesPerSecond: number;
  /** The clamp's amps that begin it, A. */
  readonly triggerAmps: number;
  /** How long somebody may take to turn the key, s. */
  readonly waitSeconds: number;
}

/**
 * @param signal Gives the recording up.
 * @throws InstrumentFault that says what the recorder did, or did not.
 */
export async function recordWaveform(
  address: InstrumentAddress,
  { seconds, samplesPerSecond, triggerAmps, waitSeconds }: WaveformSettings,
  signal: AbortSignal,
): Promise<RecordedWaveform> {
  const socket = new ReplySocket(address);
  const stop = (): void => socket.close();
  signal.addEventListener('abort', stop);
  try {
    if (parseIdentity(await socket.ask('*IDN?', ANSWER_MS)) === null) throw new InstrumentFault(NO_INSTRUMENT);
    const points = Math.round(seconds * samplesPerSecond);
    for (const line of [
      `ACQ:SRAT ${samplesPerSecond}`,
      `ACQ:POIN ${points}`,
      'TRIG:SOUR CH2',
      `TRIG:LEV ${triggerAmps}`,
    ])
      socket.send(line);
    socket.send('INIT');
    const done = await socket.ask('*OPC?', (waitSeconds + seconds) * 1000);
    if (done !== '1') throw new InstrumentFault(`it answered ${JSON.stringify(done.slice(0, 40))} to *OPC?`);
    const told = await socket.ask('WAV:XINC?', ANSWER_MS);
    const step = parseScpiNumber(told);
    if (step.state !== 'value' || step.value <= 0)
      throw new InstrumentFault(`it answered ${JSON.stringify(told.slice(0, 40))} to WAV:XINC?`);
    const maxBytes = points * BYTES_A_SAMPLE;
    const channels = [];
    for (const channel of ['CH1', 'CH2']) channels.push(await fetchChannel(socket, channel, maxBytes));
    if (channels[0]!.samples.length !== channels[1]!.samples.length)
      throw new InstrumentFault('its two channels have different lengths');
    return {
      format: CAPTURE_FORMAT,
      channels: channels.map(({ name, quantity }) => ({ name, quantity })),
      data: {
        encoding: SAMPLE_ENCODING,
        t0S: 0,
        dtS: step.value,
        columns: channels.map(({ samples }) => samples.toString('base64')),
      },
    };
  } finally {
    signal.removeEventListener('abort', stop);
    socket.close();
  }
}

async function fetchChannel(socket: ReplySocket, name: string, maxBytes: number) {
  const unit = await socket.ask(`WAV:UNIT? ${name}`, ANSWER_MS);
  if (unit !== 'V' && unit !== 'A')
    throw new InstrumentFault(`${name} is in ${JSON.stringify(unit.slice(0, 20))}; V or A can be read`);
  const samples = await socket.askBlock(`WAV:DATA? ${name}`, maxBytes, BLOCK_MS);
  if (samples.length % BYTES_A_SAMPLE !== 0) throw new InstrumentFault(`${name} ends within a sample`);
  return { name, quantity: unit === 'V' ? ('volts' as const) : ('amps' as const), samples };
}
