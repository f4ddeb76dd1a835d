import { SIGNAL_ARRIVES } from '../../circuit/start-signal';
import { signalCheck, signalModel } from '../start-signal';
import type { FindsAt } from '../start-signal';

const finds: FindsAt = (open) =>
  !SIGNAL_ARRIVES.switchIn(open) ? 'no-volts-in' : SIGNAL_ARRIVES.switchOut(open) ? 'passes' : 'open';

export const neutralSwitch = signalCheck({
  name: 'Neutral or clutch switch',
  asks: 'Measure into and out of the neutral or clutch switch with the key at start',
  findings: ['passes', 'open', 'no-volts-in'],
  at: 7.4,
  how: 'Park or neutral, or clutch down, key at start: volts go in and come out, go in only, or do not arrive?',
  settles: 'Tells the neutral or clutch switch from the ignition switch and the wires.',
  finds,
});

export const neutralSwitchModel = signalModel(finds);
