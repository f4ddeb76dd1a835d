/** Sums beside a job: which one helps at a test, what the job fills in, and which result is the test's own reading. */
import { batteryCca } from '../battery/rating';
import { usualCapacityAh } from '../battery/standing';
import { isPathTest } from '../circuit/paths';
import type { Case } from '../format/case-shape';
import type { TestName } from '../format/names';
import { TESTS } from '../trade/tables';
import type { SumEntries } from './work-out';

/** A sum at a test. */
export interface JobSum {
  readonly sum: string;
  /** The place of the result that is a reading of the test; absent where no result is. */
  readonly reads?: number;
}

const OWN: Readonly<Partial<Record<TestName, JobSum>>> = {
  'resting-voltage': { sum: 'charge-state' },
  'specific-gravity': { sum: 'gravity' },
  'load-test': { sum: 'load-test' },
  'cranking-speed': { sum: 'cranking-speed', reads: 0 },
  'parasitic-draw': { sum: 'drain' },
  'fuse-drop': { sum: 'drain' },
};

/** @returns null where no sum helps. */
export function sumAt(test: TestName): JobSum | null {
  const own = OWN[test];
  if (own) return own;
  const { unit, leads } = TESTS[test];
  if (unit === 'A' && leads?.clamp !== undefined) return { sum: 'clamp-scale', reads: 0 };
  return isPathTest(test) ? { sum: 'drop' } : null;
}

/** What a job knows. */
function knownOf({ system, conditions, readings }: Case) {
  const { battery, engine, alternator, nominalVolts } = system;
  const cca = batteryCca(battery) ?? undefined;
  const volts = readings.findLast((one) => one.test === 'resting-voltage' && one.void === undefined)?.value;
  return {
    cca: cca && Math.round(cca),
    celsius: conditions?.batteryCelsius,
    capacity: battery.capacityAh ?? (cca && Math.round(usualCapacityAh(cca))),
    chemistry: battery.chemistry,
    nominal: String(nominalVolts),
    restingVolts: typeof volts === 'number' ? volts : undefined,
    cylinders: engine?.cylinders,
    liters: engine?.displacementLitres,
    alternatorAmps: alternator?.ratedAmps,
  };
}
type Known = ReturnType<typeof knownOf>;

/** The entries of each sum that a job fills in, each by what it knows. */
const FILLED: Readonly<Record<string, Readonly<Record<string, keyof Known>>>> = {
  'load-test': { cca: 'cca', celsius: 'celsius' },
  'charge-state': { volts: 'restingVolts', chemistry: 'chemistry', nominal: 'nominal', celsius: 'celsius' },
  'label-check': { cca: 'cca', capacity: 'capacity', liters: 'liters' },
  'alternator-output': { rated: 'alternatorAmps' },
  'charge-time': { capacity: 'capacity' },
  'cranking-speed': { cylinders: 'cylinders' },
  gravity: { celsius: 'celsius' },
  drain: { capacity: 'capacity' },
};

/** What a job fills in of a sum; every other entry keeps its usual figure. */
export function entriesOf(sum: string, subject: Case): SumEntries {
  const known = knownOf(subject);
  const found = Object.entries(FILLED[sum] ?? {}).map(([entry, from]) => [entry, known[from]] as const);
  return Object.fromEntries(found.filter((one): one is [string, number | string] => one[1] !== undefined));
}
