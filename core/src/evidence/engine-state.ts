/** What lies between one state of the engine and another: readings of one state are taken in one visit. */
import type { EngineState } from '../format/words';

/**
 * Minutes of work from one state to another. Stopping a running engine costs most: the battery must settle before it is
 * read at rest or cranked again. Loads are a switch; between cranks the key is off anyway.
 */
const CHANGE_MINUTES: Readonly<Record<EngineState, Readonly<Record<EngineState, number>>>> = {
  off: { off: 0, cranking: 1, running: 1.5, loaded: 2, asleep: 2 },
  cranking: { off: 0.5, cranking: 0, running: 1.5, loaded: 2, asleep: 2 },
  running: { off: 3, cranking: 3, running: 0, loaded: 0.5, asleep: 3 },
  loaded: { off: 3, cranking: 3, running: 0.5, loaded: 0, asleep: 3 },
  asleep: { off: 0.5, cranking: 1.5, running: 2, loaded: 2.5, asleep: 0 },
};

export const changeMinutes = (from: EngineState, to: EngineState): number => CHANGE_MINUTES[from][to];
