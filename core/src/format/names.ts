/** The names of everything the format speaks of, derived from the trade's files; types only. */
import type { FAULT_FILES } from '../trade/faults';
import type { OBSERVATION_FILES } from '../trade/observations';
import type { TEST_FILES } from '../trade/tests';

export type TestName = keyof typeof TEST_FILES;
export type ObservationName = keyof typeof OBSERVATION_FILES;
export type FaultName = keyof typeof FAULT_FILES;

/** What may be asked for next: a reading, an observation, a charge, or another look at the label. */
export type StepName = TestName | ObservationName | 'charge' | 'label';
