/** Nothing is blamed before it was measured. */
import { observed } from '../../evidence/case-context';
import { alternatorGives } from '../alternator-gives';
import { has, fails, measuredAcross } from './excuse';
import type { ExcuseRow } from './excuse';

const ALTERNATOR_GROUND = measuredAcross('drop-charge-ground');

export const NOT_MEASURED = {
  'positive-post-not-measured': measuredAcross('drop-positive-post'),
  'negative-post-not-measured': measuredAcross('drop-negative-post'),
  'positive-cable-not-measured': measuredAcross('drop-starter-positive'),
  'starting-ground-not-measured': measuredAcross('drop-starter-ground', 'drop-engine-ground'),
  'contacts-not-measured': measuredAcross('drop-solenoid'),
  'alternator-ground-not-measured': {
    ...ALTERNATOR_GROUND,
    // without output there is no drop to read; a strap that is seen to be damaged is mended first
    excluded: (evidence) =>
      ALTERNATOR_GROUND.excluded(evidence) ||
      (observed(evidence.gradedCase, 'ground-strap') === 'damaged' && !alternatorGives(evidence.gradedCase)),
  },
  'body-ground-not-measured': measuredAcross('drop-body-ground'),
  'charging-path-not-measured': {
    first: 'measure the path',
    steps: ['drop-charge-positive', 'alternator-stud-voltage'],
    excluded: ({ gradedCase }) =>
      has(gradedCase, 'drop-charge-positive') ||
      fails(gradedCase, 'alternator-stud-voltage') ||
      observed(gradedCase, 'fusible-link') === 'blown',
  },
  'control-not-measured': {
    first: 'measure the control voltage',
    steps: ['starter-control-voltage'],
    excluded: ({ gradedCase }) => has(gradedCase, 'starter-control-voltage'),
  },
  'excitation-not-measured': {
    first: 'measure the excitation',
    steps: ['excitation-voltage', 'field-duty'],
    excluded: ({ gradedCase }) => has(gradedCase, 'excitation-voltage', 'field-duty'),
  },
  'drain-not-measured': {
    first: 'measure the drain',
    steps: ['parasitic-draw'],
    excluded: ({ gradedCase }) => has(gradedCase, 'parasitic-draw'),
  },
} as const satisfies Record<string, ExcuseRow>;
