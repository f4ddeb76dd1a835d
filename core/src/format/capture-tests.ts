import type { TestName } from './names';

/** Tests whose reading a recorded waveform can give. */
export const CAPTURE_TESTS = [
  'resting-voltage',
  'inrush-voltage',
  'inrush-current',
  'cranking-voltage',
  'starter-draw',
  'cranking-speed',
  'recovery-voltage',
  'charging-voltage',
  'battery-current',
  'ripple-waveform',
  'ripple-ac',
  'field-duty',
  'drop-engine-ground',
] as const satisfies readonly TestName[];
export type CaptureTest = (typeof CAPTURE_TESTS)[number];

const KNOWN: ReadonlySet<TestName> = new Set(CAPTURE_TESTS);
/** True for a test that a recorded waveform can give. */
export const isCaptureTest = (test: TestName): test is CaptureTest => KNOWN.has(test);
