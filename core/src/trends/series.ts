/** What is followed over the visits of a vehicle, each brought to the same conditions. */
import { PATH_TESTS } from '../circuit/paths';
import type { PathTest } from '../circuit/paths';
import { HEALTH_WAYS } from '../format/words';
import type { HealthWayName } from '../format/words';
import { TESTS } from '../trade/tables';

export type SeriesUnit = 'share' | 'ohm' | 'A' | 'V' | 'rpm';
export interface Series {
  readonly name: string;
  readonly unit: SeriesUnit;
  /** What it is brought to; empty for what depends on nothing. */
  readonly conditions: string;
  /** The battery's own: a new battery begins it anew. */
  readonly isOfBattery: boolean;
}

const WAY_NAMES: Readonly<Record<HealthWayName, string>> = {
  conductance: 'Health by conductance',
  'internal-resistance': 'Health by internal resistance',
  'load-test': 'Health by load test',
  cranking: 'Health by cranking',
};
export type SeriesName =
  | `health-${HealthWayName}`
  | `path-${PathTest}`
  | 'cranking-ohms'
  | 'starter-draw'
  | 'cranking-speed'
  | 'charging-voltage'
  | 'ripple'
  | 'drain';

const health = HEALTH_WAYS.map((way): [SeriesName, Series] => [
  `health-${way}`,
  { name: WAY_NAMES[way], unit: 'share', conditions: 'of its rating', isOfBattery: true },
]);
const paths = PATH_TESTS.map((test): [SeriesName, Series] => [
  `path-${test}`,
  { name: TESTS[test].name, unit: 'ohm', conditions: '', isOfBattery: false },
]);

/** Every series, by name, in the order in which they are shown. */
export const SERIES = Object.fromEntries<Series>([
  ...health,
  ['cranking-ohms', { name: 'Cranking resistance', unit: 'ohm', conditions: '21 °C, full', isOfBattery: true }],
  ['starter-draw', { name: 'Starter draw', unit: 'A', conditions: '21 °C', isOfBattery: false }],
  ['cranking-speed', { name: 'Cranking speed', unit: 'rpm', conditions: 'as it was', isOfBattery: false }],
  ...paths,
  ['charging-voltage', { name: 'Charging voltage', unit: 'V', conditions: '25 °C, loads off', isOfBattery: false }],
  ['ripple', { name: 'Ripple', unit: 'V', conditions: '', isOfBattery: false }],
  ['drain', { name: 'Drain', unit: 'A', conditions: '', isOfBattery: false }],
]) as Readonly<Record<SeriesName, Series>>;
export const SERIES_NAMES = Object.keys(SERIES) as readonly SeriesName[];

/** The series of a path. */
export const seriesOfPath = (test: PathTest): SeriesName => `path-${test}`;
