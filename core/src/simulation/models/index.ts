/** The circuit model's part of every file of the trade, with the type that makes it complete. */
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { FaultName, ObservationName, TestName } from '../../format/names';
import type { ObservationModel } from '../../trade/observation';
import type { TestModel } from '../../trade/test-model';
import { FAULT_EFFECTS as EFFECTS } from './fault-effects';
import { OBSERVATION_MODELS as OBSERVATIONS } from './observation-models';
import { TEST_MODELS as TESTS } from './test-models';

export const TEST_MODELS: Readonly<Record<TestName, TestModel>> = TESTS;
export const OBSERVATION_MODELS: Readonly<Record<ObservationName, ObservationModel>> = OBSERVATIONS;
export const FAULT_EFFECTS: Readonly<Record<FaultName, FaultEffect>> = EFFECTS;
