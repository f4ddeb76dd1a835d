/** What a full visit reads and looks at. */
import type { StepName, TestName } from '../format/names';

/** Tests of a full set, in working order. */
export const FULL_SET: readonly TestName[] = [
  'resting-voltage',
  'conductance',
  'load-test',
  'internal-resistance',
  'cranking-voltage',
  'starter-draw',
  'cranking-speed',
  'starter-control-voltage',
  'drop-positive-post',
  'drop-negative-post',
  'drop-starter-positive',
  'drop-solenoid',
  'drop-starter-ground',
  'drop-engine-ground',
  'drop-body-ground',
  'charging-voltage',
  'alternator-current',
  'drop-charge-positive',
  'drop-charge-ground',
  'alternator-stud-voltage',
  'excitation-voltage',
  'ripple-ac',
  'ripple-waveform',
  'parasitic-draw',
];

/** What a full visit leaves out: the end of all testing, half an hour with the plugs, and the meter check. */
export const LEFT_OUT: ReadonlySet<StepName> = new Set<StepName>([
  'plugs-removed-crank',
  'battery-case',
  'meter-leads',
  'meter-ac',
  'clamp-zero',
]);
