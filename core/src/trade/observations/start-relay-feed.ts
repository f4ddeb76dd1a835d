import { SIGNAL_ARRIVES } from '../../circuit/start-signal';
import { signalCheck, signalModel } from '../start-signal';
import type { FindsAt } from '../start-signal';

const finds: FindsAt = (open) => (SIGNAL_ARRIVES.feed(open) ? 'volts' : 'none');

export const startRelayFeed = signalCheck({
  name: 'Start relay, feed',
  asks: 'Measure at the start relay’s feed',
  findings: ['volts', 'none'],
  at: 7.2,
  how: 'Red lead on the relay’s feed from its fuse: the battery’s volts, or none?',
  settles: 'Tells a blown fuse of the start relay.',
  finds,
});

export const startRelayFeedModel = signalModel(finds);
