import { badPiece } from '../../simulation/bad-piece';
import type { Fault } from '../fault';

export const connectionPositivePost: Fault = {
  name: 'bad connection at the positive post',
  part: () => 'connections',
  customer: 'The connection at the battery’s positive post is bad. The battery itself is not the cause.',
  prior: 0.04,
  symptoms: {
    'slow-crank': 1,
    'no-crank-silent': 1,
    'no-crank-single-click': 1,
    'no-crank-rapid-clicks': 0.7,
    'lamps-dim-on-crank': 0.5,
    'resets-on-crank': 1,
  },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  excuses: [
    {
      excuse: 'positive-post-not-measured',
      how: 'A corroded clamp may conduct well and a bright one may be open inside: only the drop tells.',
    },
  ],
  where: 'drop-positive-post',
  effect: badPiece('positive-post'),
};
