import { SIGNAL_ARRIVES } from '../../circuit/start-signal';
import { signalCheck, signalModel } from '../start-signal';
import type { FindsAt } from '../start-signal';

const finds: FindsAt = (open) => (SIGNAL_ARRIVES.output(open) ? 'volts' : 'none');

export const startRelayOutput = signalCheck({
  name: 'Start relay, output',
  asks: 'Measure at the start relay’s output with the key at start',
  findings: ['volts', 'none'],
  at: 7.1,
  how: 'Black lead on battery −, red on the relay’s output to the solenoid, key at start: the battery’s volts, or none?',
  settles: 'Halves the start signal: before the relay’s output, or behind it.',
  finds,
});

export const startRelayOutputModel = signalModel(finds);
