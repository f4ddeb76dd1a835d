/** A bad connection between a post and its clamp: the same at both posts. */
import type { Fault } from './fault';

/** @param more What the negative post shows besides: it carries the alternator's current home as well. */
export const postConnection = (sign: 'positive' | 'negative', more: Fault['shows'] = {}): Fault => ({
  name: `bad connection at the ${sign} post`,
  repairs: `${sign} post`,
  part: () => 'connections',
  customer: `The connection at the battery’s ${sign} post is bad. The battery itself is not the cause.`,
  prior: 0.035,
  symptoms: {
    'slow-crank': 1,
    'no-crank-silent': 1,
    'no-crank-single-click': 1,
    'no-crank-rapid-clicks': 0.7,
    'lamps-dim-on-crank': 0.5,
    'resets-on-crank': 1,
  },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  shows: { 'low-flow': 1, 'no-flow': 1, 'slow-crank': 1, ...more },
  excuses: [
    {
      excuse: `${sign}-post-not-measured`,
      how: 'A corroded clamp may conduct well and a bright one may be open inside: only the drop tells.',
    },
  ],
  where: `drop-${sign}-post`,
});
