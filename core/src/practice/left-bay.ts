import type { Case } from '../format/case-shape';
import type { Hands } from './hands';
import type { SafetyEvent } from './safety';
import type { InstrumentFaults } from './setting';
import type { TakenOff } from './taken-off';

/** A bay that was left in the middle of a visit. */
export interface LeftBay {
  readonly readings: Case['readings'];
  readonly observations: NonNullable<Case['observations']>;
  readonly hands: Hands;
  readonly takenOff: TakenOff;
  /** What is still wrong with the instruments. */
  readonly instruments: InstrumentFaults;
  readonly charges: readonly number[];
  readonly safety: readonly SafetyEvent[];
}
