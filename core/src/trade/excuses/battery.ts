/** What else may make a battery look bad. */
import { threshold } from '../../criteria/weights';
import { isCharged, latest, notPossible, readingsOf } from '../../evidence/case-context';
import { weakestHealth } from '../../evidence/health';
import { HEALTH_TESTS } from '../../format/words';
import { has, fails, carriesOwnProof } from './excuse';
import type { ExcuseRow } from './excuse';

export const BATTERY_EXCUSES = {
  'battery-flat': {
    first: 'rule out a flat battery',
    steps: ['charge'],
    excluded: ({ gradedCase }) => isCharged(gradedCase) || carriesOwnProof(gradedCase),
  },
  'health-not-measured': {
    first: 'measure the battery’s health',
    steps: HEALTH_TESTS,
    excluded: ({ gradedCase, figures }) => figures.ways.length > 0 || carriesOwnProof(gradedCase),
  },
  'label-doubted': {
    first: 'confirm the rating on the label',
    steps: ['label'],
    excluded: ({ gradedCase }) => gradedCase.labelDoubt === null || carriesOwnProof(gradedCase),
  },
  'one-test-may-err': {
    first: 'confirm it: repeat the test after a full charge, or use a second kind of test',
    steps: ['load-test', 'conductance', 'internal-resistance'],
    excluded: ({ gradedCase, figures }) => {
      if (fails(gradedCase, 'specific-gravity') || fails(gradedCase, 'hold-charge')) return true;
      // of a pack the weak battery by itself: what its neighbour read confirms nothing of it
      const worst = weakestHealth(gradedCase, figures.ways);
      const agreeing = worst?.fused.ways.filter(({ health }) => health < threshold('agreesUnder')) ?? [];
      if (new Set(agreeing.map(({ way }) => way)).size >= 2) return true;
      const load = readingsOf(gradedCase, 'load-test').filter(({ battery }) => battery === worst?.battery);
      if (load.length >= 2 || (load[0]?.conditions?.attempt ?? 1) >= 2) return true;
      return HEALTH_TESTS.every(
        (test) => latest(gradedCase, test, worst?.battery) !== undefined || notPossible(gradedCase, test),
      );
    },
  },
  'cell-not-shown': {
    first: 'take a reading that shows the cell',
    steps: ['specific-gravity', 'hold-charge', 'conductance', 'load-test'],
    excluded: ({ gradedCase }) =>
      carriesOwnProof(gradedCase) || has(gradedCase, 'hold-charge', 'conductance', 'load-test'),
  },
  'flat-looks-dead': {
    first: 'rule out a flat battery',
    steps: ['charge', 'specific-gravity', 'conductance'],
    excluded: ({ gradedCase }) => isCharged(gradedCase) || carriesOwnProof(gradedCase),
  },
  'battery-not-proven': {
    first: 'prove that the battery is good',
    steps: ['resting-voltage', 'conductance', 'load-test'],
    excluded: ({ gradedCase, figures, probability }) =>
      isCharged(gradedCase) &&
      figures.ways.length > 0 &&
      probability['battery-worn'] < threshold('unlikely') &&
      probability['battery-dead-cell'] < threshold('unlikely'),
  },
} as const satisfies Record<string, ExcuseRow>;
