/** Where leads, clamp and instrument are in the practice bay. */
import type { ClampPlace, TestPoint } from '../circuit/points';
import type { Flow } from '../circuit/points';
import type { TestName } from '../format/names';
import { functionOf } from '../instruments/instrument-functions';
import type { InstrumentFunction } from '../instruments/instrument-functions';
import type { VoltRange } from './instruments';
import { TESTS, TEST_NAMES } from '../trade/tables';

/** What the instruments of the bay can be set to. */
export const BAY_FUNCTIONS = [
  'volts-dc',
  'volts-ac',
  'amps-dc',
  'conductance',
  'battery-ohms',
  'engine-speed',
  'field-duty',
] as const satisfies readonly InstrumentFunction[];
export type BayFunction = (typeof BAY_FUNCTIONS)[number];

export interface Hands {
  readonly red: TestPoint | null;
  readonly black: TestPoint | null;
  readonly clamp: ClampPlace | null;
  /** The arrow of the clamp points away from the battery: every sign is turned. */
  readonly isClampTurned: boolean;
  readonly use: BayFunction;
  /** Range of DC volts; null for automatic. */
  readonly range: VoltRange;
  /** The recorder keeps the lowest and the highest. */
  readonly isRecording: boolean;
  /** Of a pack the battery that is isolated, from 1; null while they are connected. */
  readonly battery: number | null;
}
/** Where leads and clamp are, and what the instrument is set to. */
export type Placing = Pick<Hands, 'red' | 'black' | 'clamp' | 'use'>;
export const EMPTY_HANDS: Hands = {
  red: null,
  black: null,
  clamp: null,
  isClampTurned: false,
  use: 'volts-dc',
  range: null,
  isRecording: false,
  battery: null,
};

/** What hours or a charger of its own are needed for. */
const OF_ITS_OWN: ReadonlySet<TestName> = new Set([
  'charge-acceptance',
  'hold-charge',
  'recovery-voltage',
  'fuse-drop',
]);

/** Instruments that tell of themselves, whatever the leads do. */
const isOfItself = (use: BayFunction): boolean => use === 'engine-speed' || use === 'field-duty';

function isPlacedFor(test: TestName, { red, black, clamp, use }: Placing): boolean {
  if (isOfItself(use)) return true;
  const { leads } = TESTS[test];
  if (leads === null) return false;
  if (use === 'amps-dc') return leads.clamp !== undefined && leads.clamp === clamp;
  return leads.red === red && leads.black === black;
}

/**
 * The test that is being taken: that whose leads and function these are, while that flows which it needs.
 *
 * @param flow What flows just now.
 * @returns null where no test of the trade is read so.
 */
export function testOf(hands: Placing, flow: Flow): TestName | null {
  const found = TEST_NAMES.filter((test) => {
    const row = TESTS[test];
    return !OF_ITS_OWN.has(test) && functionOf(test, row.unit) === hands.use && isPlacedFor(test, hands);
  });
  return found.find((test) => flowFor(test) === flow) ?? null;
}

/** What must flow while a test is taken; one without leads is told by what the engine does. */
export const flowFor = (test: TestName): Flow =>
  TESTS[test].leads?.flow ?? (TESTS[test].step.engine === 'cranking' ? 'cranking' : 'charging');

/** Whether an instrument of the bay reads it; others are taken as a whole, with an instrument of their own. */
export const isTakenByHand = (test: TestName): boolean => handsFor(test) !== null;

/** Leads and instrument as a test wants them; null for one that no instrument of the bay reads. */
export function handsFor(test: TestName): Placing | null {
  const { unit, leads } = TESTS[test];
  const use = BAY_FUNCTIONS.find((name) => name === functionOf(test, unit));
  if (use === undefined || OF_ITS_OWN.has(test)) return null;
  if (leads === null && !isOfItself(use)) return null;
  const { red = null, black = null, clamp = null } = leads ?? {};
  return { red, black, clamp, use };
}

/** The conductor whose amps belong to a drop. */
export function clampBeside(test: TestName): ClampPlace | null {
  const flow = TESTS[test].leads?.flow;
  if (!TESTS[test].conditions.includes('amps')) return null;
  return flow === 'cranking' ? 'battery-cables' : flow === 'charging' ? 'alternator-output' : 'tester-lead';
}
