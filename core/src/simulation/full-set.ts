/** What a full visit reads and looks at, in its order. */
import type { Vehicle } from '../circuit/model/vehicle';
import type { ObservationName, TestName } from '../format/names';
import { OBSERVATION_NAMES, TEST_NAMES } from '../trade/tables';
import { OBSERVATION_MODELS, TEST_MODELS } from './models';

/** Tests of a full set, in the order of a full visit. */
export const FULL_SET: readonly TestName[] = TEST_NAMES.filter((test) => TEST_MODELS[test].visitPlace !== null).sort(
  (a, b) => TEST_MODELS[a].visitPlace! - TEST_MODELS[b].visitPlace!,
);

/** What is looked at: not what ends all testing, takes half an hour with the plugs, or is the check of a meter. */
export const FULL_LOOK: readonly ObservationName[] = OBSERVATION_NAMES.filter(
  (about) => OBSERVATION_MODELS[about].inFullVisit,
);

/** What a full visit ends with on vehicles that ask for it. */
export const lastLooks = (vehicle: Vehicle): readonly ObservationName[] =>
  OBSERVATION_NAMES.filter((about) => OBSERVATION_MODELS[about].endsVisitOf?.(vehicle));
