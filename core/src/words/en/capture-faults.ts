import type { CaptureFault } from '../../format/capture-fault';

const BYTES_PER_MB = 1_000_000;
const megabytes = (bytes: number): string => `${Math.round(bytes / BYTES_PER_MB)} MB`;

/** The fault for people: where, what was found, what was expected. */
export function captureFaultWords(fault: CaptureFault): string {
  switch (fault.code) {
    case 'empty':
      return 'The file is empty; expected a recording of at least a few samples.';
    case 'too-large':
      return `The file has ${megabytes(fault.bytes)}; at most ${megabytes(fault.most)} can be read. Record fewer samples a second, or a shorter stretch.`;
    case 'not-text':
      return `Byte ${fault.byte}: this is not text${fault.looksLike ? ` but looks like ${fault.looksLike}` : ''}; expected CSV, a WAV or a JSON capture.`;
    case 'no-rows':
      return `Line ${fault.line}: no rows of numbers follow; expected a time and at least one channel in columns parted by comma, semicolon or tab.`;
    case 'one-column':
      return `Line ${fault.line}: one column only; expected a time and at least one channel, or a sample interval in the notes above.`;
    case 'no-time':
      return `Line ${fault.line}: no column is a time and the notes tell no sample interval or rate; expected one of them.`;
    case 'columns':
      return `Line ${fault.line}: ${fault.found} columns; expected ${fault.wanted} as above.`;
    case 'not-a-number':
      return `Line ${fault.line}, column ${fault.column} (${fault.name}): “${fault.found}” is no number; expected one such as 12.61.`;
    case 'not-a-time':
      return `Line ${fault.line}, column ${fault.column} (${fault.name}): “${fault.found}” is no time; expected one such as those above.`;
    case 'time-backwards':
      return `Line ${fault.line}: time runs backwards, to ${fault.atS.toFixed(6)} s; expected each row later than the one before.`;
    case 'time-stands-still':
      return `Line ${fault.line}: the same time again, ${fault.atS.toFixed(6)} s; expected each row later than the one before.`;
    case 'too-few-samples':
      return `The recording has ${fault.samples} samples; expected at least ${fault.least}.`;
    case 'too-many-samples':
      return `The recording has more than ${fault.most} samples; expected at most that many. Record a shorter stretch.`;
    case 'too-many-channels':
      return `The recording has ${fault.channels} channels; expected at most ${fault.most}.`;
    case 'gap-too-long':
      return `Nothing is recorded from ${fault.fromS.toFixed(3)} s to ${fault.toS.toFixed(3)} s, longer than all the rest; expected one recording without a pause.`;
    case 'empty-channel':
      return `Column ${fault.column} (${fault.name}): no figure in it; expected a channel with samples.`;
    case 'wav':
      return `Byte ${fault.byte}: ${fault.found}; expected ${fault.wanted}.`;
    case 'wav-scale':
      return 'A WAV holds no volts: say how many volts (and amps) its full scale stands for.';
    case 'json':
      return `${fault.path}: ${fault.found}; expected ${fault.wanted}.`;
    case 'no-such-column':
      return `No column is called “${fault.name}”; the file has ${fault.known.join(', ')}.`;
    case 'no-volts':
      return `No channel looks like the volts of a battery (${fault.known.join(', ')}); say which it is.`;
    case 'silence':
      return 'A record of silence: no channel shows a battery or a current. Is the lead on the post, and the channel switched on?';
    default:
      throw new Error(`unknown fault ${JSON.stringify(fault satisfies never)}`);
  }
}
