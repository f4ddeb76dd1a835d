/** Which waits a reading ends: what was waited for is read, or the engine does something else now. */
import type { Reading } from '../format/reading-shape';
import { ENGINE_STATES } from '../format/words';
import type { EngineState } from '../format/words';
import { TESTS } from './tables';
import { WAITS, WAIT_KINDS } from './waits';
import type { WaitKind } from './waits';

/** What the engine may do meanwhile: a reading that needs anything else ends the wait. */
const DURING: Readonly<Record<WaitKind, readonly EngineState[]>> = {
  'lamps-on': ['off'],
  settle: ['off', 'asleep'],
  charge: ['off'],
  'cool-down': ENGINE_STATES,
  sleep: ['off', 'asleep'],
  run: ['running', 'loaded'],
  crank: ENGINE_STATES,
  load: ENGINE_STATES,
};
/** What goes on after its reading: modules sleep on while fuse after fuse is read, the starter cools after a crank. */
const GOES_ON: ReadonlySet<WaitKind> = new Set(['sleep', 'cool-down', 'crank']);
/** These are the same for each battery of a pack: one of them read leaves them to the others. */
const OF_ALL_BATTERIES: ReadonlySet<WaitKind> = new Set(['lamps-on', 'settle']);

/** True where this reading leaves nothing to wait for. */
const isEndedBy = (kind: WaitKind, { test, battery }: Pick<Reading, 'test' | 'battery'>): boolean => {
  if (!DURING[kind].includes(TESTS[test].step.engine ?? 'off')) return true;
  if (OF_ALL_BATTERIES.has(kind) && battery !== undefined) return false;
  return WAITS[kind].step === test && !GOES_ON.has(kind);
};

/** The waits that end when this reading is saved; one that could not be taken ends none. */
export const waitsEndedBy = (reading: Pick<Reading, 'test' | 'battery' | 'value'>): readonly WaitKind[] =>
  reading.value === null ? [] : WAIT_KINDS.filter((kind) => isEndedBy(kind, reading));
