/**
 * Where the leads go: the points of a starting and charging circuit that a meter is put on, and the
 * conductors a clamp goes round. Which of them a test uses stands with the test.
 */

/** Points of the circuit, named as the trade says them. */
export const TEST_POINTS = {
  'positive-post': 'battery + post',
  'positive-clamp': 'battery + clamp',
  'negative-post': 'battery − post',
  'negative-clamp': 'battery − clamp',
  'solenoid-battery': 'solenoid, battery terminal',
  'solenoid-motor': 'solenoid, motor terminal',
  'solenoid-control': 'solenoid, control terminal',
  'starter-case': 'starter case',
  'engine-block': 'engine block',
  body: 'body',
  'alternator-stud': 'alternator output stud',
  'alternator-case': 'alternator case',
  'alternator-sense': 'alternator sense or ignition terminal',
  'module-plug': 'module or diagnostic plug',
} as const;
export type TestPoint = keyof typeof TEST_POINTS;

/** Conductors a clamp goes round. */
export const CLAMP_PLACES = {
  'battery-cables': 'all conductors of one battery post',
  'alternator-output': 'alternator output wire',
  'tester-lead': 'the tester’s own lead, either one',
} as const;
export type ClampPlace = keyof typeof CLAMP_PLACES;

/** What flows while a reading is taken. */
export type Flow = 'none' | 'cranking' | 'charging' | 'load';

export interface LeadPlacing {
  readonly red?: TestPoint;
  readonly black?: TestPoint;
  readonly clamp?: ClampPlace;
  /** What flows while it is read: drawn alive. */
  readonly flow: Flow;
}

/** Red on the + post, black on the − post. */
export const atPosts = (flow: Flow): LeadPlacing => ({ red: 'positive-post', black: 'negative-post', flow });
/** From one point of the circuit to another. */
export const across = (red: TestPoint, black: TestPoint, flow: Flow): LeadPlacing => ({ red, black, flow });
/** A clamp round all conductors of one post. */
export const roundTheCables = (flow: Flow): LeadPlacing => ({ clamp: 'battery-cables', flow });
