/** The names of everything the format speaks of. */
import type { FAULT_WORDS, OBSERVATION_WORDS, TEST_WORDS } from './trade-words';

export type TestName = (typeof TEST_WORDS)[number];
export type ObservationName = (typeof OBSERVATION_WORDS)[number];
export type FaultName = (typeof FAULT_WORDS)[number];

/** What may be asked for next: a reading, an observation, a charge, or another look at the label. */
export type StepName = TestName | ObservationName | 'charge' | 'label';
