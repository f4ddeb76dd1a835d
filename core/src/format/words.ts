/** The format's words that are not things of the trade: how a vehicle is built, how a reading stands. */
import type { TestName } from './names';

export * from '../battery/battery-words';
export * from '../quantities/nominal-volts';

export const FUELS = ['petrol', 'diesel'] as const;
export const REGULATIONS = ['fixed', 'commanded'] as const;
export const PASSES = ['before', 'after'] as const;
export type Pass = (typeof PASSES)[number];
export const NOT_POSSIBLE = ['did-not-crank', 'did-not-start', 'no-access', 'no-equipment', 'other'] as const;

export const GRADES = ['within', 'near', 'outside', 'void', 'noted'] as const;
export type Grade = (typeof GRADES)[number];
export const VERDICTS = ['keep', 'not-tested', 'replace', 'repair', 'charge-first', 'not-proven'] as const;
export type Verdict = (typeof VERDICTS)[number];
export const ACTIONS = ['replace', 'repair', 'repaired', 'charge-first', 'test-next', 'none-found', 'stop'] as const;
export type Action = (typeof ACTIONS)[number];

/** The four parts that carry a verdict. */
export const JUDGED_PARTS = ['battery', 'starter', 'alternator', 'connections'] as const;
export type JudgedPart = (typeof JUDGED_PARTS)[number];
/** Every part a decision may name. */
export const PARTS = [...JUDGED_PARTS, 'control', 'belt', 'mechanical', 'drain'] as const;
export type Part = (typeof PARTS)[number];

/** What a customer or technician says of the vehicle. */
export const SYMPTOM_WORDS = [
  'slow-crank',
  'no-crank-silent',
  'no-crank-single-click',
  'no-crank-rapid-clicks',
  'spins-without-cranking',
  'cranks-normally',
  'lamps-dim-on-crank',
  'resets-on-crank',
  'charge-lamp',
  'goes-flat',
  'dim-at-idle',
  'bright-lamps',
  'radio-whine',
  'battery-smell',
  'belt-squeal',
] as const;
export type SymptomName = (typeof SYMPTOM_WORDS)[number];

/** Pieces of the circuit between battery, starter and alternator. */
/** How a figure was caught: by eye, by a recorder's extreme, from a curve, or from the vehicle's own data. */
export const READING_METHODS = ['watched', 'min-max', 'fast-peak', 'scope', 'scan-tool'] as const;
export type ReadingMethod = (typeof READING_METHODS)[number];

/** What a terminal of an alternator is for: its volts mean something else at each. */
export const EXCITATION_TERMINALS = ['supply', 'sense', 'lamp', 'enable'] as const;
export type ExcitationTerminal = (typeof EXCITATION_TERMINALS)[number];

/** The forms of a blade fuse. */
export const FUSE_FORMS = ['micro', 'mini', 'standard', 'maxi'] as const;
export type FuseForm = (typeof FUSE_FORMS)[number];

/** What the engine does while something is read, in working order: from a vehicle at rest to one left for the night. */
export const ENGINE_STATES = ['off', 'cranking', 'running', 'loaded', 'asleep'] as const;
export type EngineState = (typeof ENGINE_STATES)[number];

export const PIECE_WORDS = [
  'positive-post',
  'positive-cable',
  'solenoid',
  'starter-joint',
  'engine-strap',
  'body-strap',
  'negative-post',
  'charge-cable',
  'alternator-joint',
] as const;
export type PieceName = (typeof PIECE_WORDS)[number];

/** The tests that measure how good a battery is, the quickest first. */
export const HEALTH_TESTS = ['conductance', 'load-test', 'internal-resistance'] as const satisfies readonly TestName[];
/** Ways to a battery's health: those tests, and the crank itself. */
export const HEALTH_WAYS = [...HEALTH_TESTS, 'cranking'] as const;
export type HealthWayName = (typeof HEALTH_WAYS)[number];
