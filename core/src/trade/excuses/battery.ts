/** What else may make a battery look bad. */
import { threshold } from '../../criteria/weights';
import { isCharged, readingsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { isWeakBesideNeighbor, weakestHealth } from '../../evidence/health';
import { isOutside } from '../../evidence/limit-of';
import { isFlowless } from '../../evidence/flow';
import { hasControlVolts } from '../../evidence/told-to-crank';
import { HEALTH_TESTS } from '../../format/words';
import { has, fails, carriesOwnProof, failsByItself } from './excuse';
import type { ExcuseRow } from './excuse';

/**
 * What speaks against a battery whatever its label says: cells that differ, volts lost while disconnected, a missing cell,
 * or volts too low at the amps of a sound starter. All other measures of health lean on the label.
 */
const failsWithoutLabel = (gradedCase: GradedCase): boolean =>
  failsByItself(gradedCase) ||
  (fails(gradedCase, 'cranking-voltage') && has(gradedCase, 'starter-draw') && !fails(gradedCase, 'starter-draw'));

export const BATTERY_EXCUSES = {
  'battery-flat': {
    cause: 'a flat battery',
    first: 'rule out a flat battery',
    steps: ['charge'],
    excluded: ({ gradedCase }) => isCharged(gradedCase) || carriesOwnProof(gradedCase),
  },
  'health-not-measured': {
    first: 'measure the battery’s health',
    steps: HEALTH_TESTS,
    excluded: ({ gradedCase, figures }) => figures.ways.length > 0 || carriesOwnProof(gradedCase),
  },
  'label-not-confirmed': {
    cause: 'a wrong label',
    first: 'look at the label again',
    steps: ['label'],
    excluded: ({ gradedCase, figures }) => {
      const { rating } = gradedCase.case.system.battery;
      return (
        rating === undefined ||
        rating.confirmed === true ||
        failsWithoutLabel(gradedCase) ||
        isWeakBesideNeighbor(gradedCase, figures.ways)
      );
    },
  },
  'one-test-may-err': {
    cause: 'one test that erred',
    first: 'confirm it: repeat the test after a full charge, or use a second kind of test',
    steps: ['load-test', 'conductance', 'internal-resistance'],
    excluded: ({ gradedCase, figures }) => {
      if (fails(gradedCase, 'specific-gravity') || fails(gradedCase, 'hold-charge')) return true;
      // of a pack the weak battery by itself: what its neighbour read confirms nothing of it
      const worst = weakestHealth(gradedCase, figures.ways);
      const agreeing = worst?.fused.ways.filter(({ health }) => health < threshold('agreesUnder')) ?? [];
      if (new Set(agreeing.map(({ way }) => way)).size >= 2) return true;
      // a repeat that passes speaks for the slip
      const failed = readingsOf(gradedCase, 'load-test').filter(
        (reading) => reading.battery === worst?.battery && isOutside(gradedCase, reading),
      );
      return failed.length >= 2 || (failed.at(-1)?.conditions?.attempt ?? 1) >= 2;
    },
  },
  'cell-not-shown': {
    first: 'take a reading that shows the cell',
    steps: ['specific-gravity', 'hold-charge', 'conductance', 'load-test'],
    excluded: ({ gradedCase }) =>
      carriesOwnProof(gradedCase) || has(gradedCase, 'hold-charge', 'conductance', 'load-test'),
  },
  'flat-looks-dead': {
    cause: 'a flat battery',
    first: 'rule out a flat battery',
    steps: ['charge', 'specific-gravity', 'conductance'],
    excluded: ({ gradedCase }) => isCharged(gradedCase) || carriesOwnProof(gradedCase),
  },
  'battery-not-proven': {
    cause: 'a weak battery',
    first: 'prove that the battery is good',
    steps: ['resting-voltage', 'conductance', 'load-test'],
    excluded: ({ gradedCase, figures, probability }) =>
      isCharged(gradedCase) &&
      // no weak battery explains that nothing flows while its volts stand at the solenoid
      (figures.ways.length > 0 || (isFlowless(gradedCase) && hasControlVolts(gradedCase))) &&
      probability['battery-worn'] < threshold('suspected') &&
      probability['battery-dead-cell'] < threshold('suspected'),
  },
} as const satisfies Record<string, ExcuseRow>;
