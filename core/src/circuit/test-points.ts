/**
 * Where the leads go: the points of a starting and charging circuit that a meter is put on, and for
 * each test the two points, or the conductor that the clamp goes round.
 */
import type { TestName } from '../case/vocabulary';

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

export interface LeadPlacing {
  readonly red?: TestPoint;
  readonly black?: TestPoint;
  readonly clamp?: ClampPlace;
  /** What flows while it is read: drawn alive. */
  readonly flow: 'none' | 'cranking' | 'charging' | 'load';
}

const posts = (flow: LeadPlacing['flow']): LeadPlacing => ({ red: 'positive-post', black: 'negative-post', flow });
const drop = (red: TestPoint, black: TestPoint, flow: LeadPlacing['flow']): LeadPlacing => ({ red, black, flow });

/** Leads of each test; a test without a row needs none (a tester or a hydrometer of its own). */
export const LEADS: Readonly<Partial<Record<TestName, LeadPlacing>>> = {
  'resting-voltage': posts('none'),
  'load-test': { ...posts('load'), clamp: 'tester-lead' },
  conductance: posts('none'),
  'internal-resistance': posts('none'),
  'charge-acceptance': { clamp: 'battery-cables', ...posts('none') },
  'hold-charge': posts('none'),
  'cranking-voltage': posts('cranking'),
  'inrush-voltage': posts('cranking'),
  'inrush-current': { clamp: 'battery-cables', flow: 'cranking' },
  'starter-draw': { clamp: 'battery-cables', flow: 'cranking' },
  'cranking-speed': posts('cranking'),
  'recovery-voltage': posts('none'),
  'drop-positive-post': drop('positive-post', 'positive-clamp', 'cranking'),
  'drop-negative-post': drop('negative-clamp', 'negative-post', 'cranking'),
  'drop-starter-positive': drop('positive-post', 'solenoid-motor', 'cranking'),
  'drop-solenoid': drop('solenoid-battery', 'solenoid-motor', 'cranking'),
  'drop-starter-ground': drop('starter-case', 'negative-post', 'cranking'),
  'drop-engine-ground': drop('engine-block', 'negative-post', 'cranking'),
  'drop-body-ground': drop('body', 'negative-post', 'cranking'),
  'starter-control-voltage': drop('solenoid-control', 'starter-case', 'cranking'),
  'charging-voltage': posts('charging'),
  'alternator-current': { ...posts('charging'), clamp: 'alternator-output' },
  'battery-current': { clamp: 'battery-cables', flow: 'charging' },
  'drop-charge-positive': drop('alternator-stud', 'positive-post', 'charging'),
  'drop-charge-ground': drop('alternator-case', 'negative-post', 'charging'),
  'alternator-stud-voltage': drop('alternator-stud', 'negative-post', 'none'),
  'excitation-voltage': drop('alternator-sense', 'negative-post', 'none'),
  'ripple-ac': posts('charging'),
  'ripple-waveform': posts('charging'),
  'diode-forward': drop('alternator-case', 'alternator-stud', 'none'),
  'diode-reverse': drop('alternator-stud', 'alternator-case', 'none'),
  'parasitic-draw': { clamp: 'battery-cables', flow: 'none' },
  'module-voltage': drop('module-plug', 'negative-post', 'none'),
};

/** The leads of a test in one sentence, for a screen reader and for print. */
export function describeLeads(test: TestName): string {
  const placing = LEADS[test];
  if (!placing) return 'No leads: the instrument has its own.';
  const { red, black, clamp } = placing;
  return [
    ...(red ? [`red on the ${TEST_POINTS[red]}`] : []),
    ...(black ? [`black on the ${TEST_POINTS[black]}`] : []),
    ...(clamp ? [`clamp around ${CLAMP_PLACES[clamp]}`] : []),
  ].join(', ');
}
