import { SIGNAL_ARRIVES } from '../../circuit/start-signal';
import { signalCheck, signalModel } from '../start-signal';
import type { FindsAt } from '../start-signal';

const finds: FindsAt = (open) => (SIGNAL_ARRIVES.coil(open) ? 'volts' : 'none');

export const startRelayCoil = signalCheck({
  name: 'Start relay, coil',
  asks: 'Measure across the start relay’s coil with the key at start',
  findings: ['volts', 'none'],
  at: 7.3,
  how: 'Both leads across the coil, key at start: the battery’s volts, or none? With volts and no output the relay is bad.',
  settles: 'Tells a bad relay from switches that do not call it.',
  finds,
});

export const startRelayCoilModel = signalModel(finds);
