/** What voltage drops say: each piece of a path by its own reading, a whole path by what its pieces leave. */
import type { FaultName, TestName } from '../../case/vocabulary';
import { formatSmallVolts } from '../../quantities/format';
import { limitsOf } from '../../criteria/limits-of';
import { assess, showValue } from '../assess';
import { referenceAmps, resolveLimit, applies } from '../resolve-limit';
import { latest } from '../situation';
import type { NumericReading, Situation } from '../situation';
import { DIRECT_OUTLIERS, causes, weigh } from './finding';
import type { Cause, Finding, FindingRule } from './finding';

/** ln(share of the strict limit) of a sound path; ln(volts lost at the usual current) of a bad one. */
const SOUND_LN = [-1.15, 0.5] as const;
const BAD_LN_VOLTS = [Math.log(1.2), 0.8] as const;
/** Share of a whole path's reading that the difference to its pieces may be off by. */
const DIFFERENCE_NOISE = 0.05;
/** A drop as deep as this (12 V) with no current is an open path. */
const OPEN_VOLTS = 6;
/** Noise of a drop reading, V: keeps a few millivolts from counting as evidence. */
const FLOOR_VOLTS = 0.01;

interface PathRow {
  readonly test: TestName;
  /** Pieces whose own readings are taken off this one. */
  readonly contains: readonly TestName[];
  /** What this path, less its measured pieces, speaks of. */
  readonly fault: FaultName;
  /** Faults of the pieces, suspected while they have no reading of their own. */
  readonly pieces: readonly (readonly [TestName, FaultName])[];
  /** Strict limit of what is left, V at the usual current. */
  readonly limit: number;
}

const PATHS: readonly PathRow[] = [
  { test: 'drop-positive-post', contains: [], fault: 'connection-positive-post', pieces: [], limit: 0.1 },
  { test: 'drop-negative-post', contains: [], fault: 'connection-negative-post', pieces: [], limit: 0.1 },
  { test: 'drop-solenoid', contains: [], fault: 'solenoid-contacts', pieces: [], limit: 0.3 },
  {
    test: 'drop-starter-positive',
    contains: ['drop-positive-post', 'drop-solenoid'],
    fault: 'cable-starter-positive',
    pieces: [
      ['drop-positive-post', 'connection-positive-post'],
      ['drop-solenoid', 'solenoid-contacts'],
    ],
    limit: 0.25,
  },
  {
    test: 'drop-starter-ground',
    contains: ['drop-negative-post'],
    fault: 'cable-starter-ground',
    pieces: [['drop-negative-post', 'connection-negative-post']],
    limit: 0.2,
  },
  {
    test: 'drop-engine-ground',
    contains: ['drop-negative-post'],
    fault: 'cable-starter-ground',
    pieces: [['drop-negative-post', 'connection-negative-post']],
    limit: 0.2,
  },
  {
    test: 'drop-charge-positive',
    contains: [],
    fault: 'charge-cable-positive',
    pieces: [['drop-positive-post', 'connection-positive-post']],
    limit: 0.25,
  },
  {
    test: 'drop-charge-ground',
    contains: [],
    fault: 'charge-cable-ground',
    pieces: [['drop-negative-post', 'connection-negative-post']],
    limit: 0.12,
  },
];

/** The drop a reading would show at the usual current, V. */
function atReference(reading: NumericReading, situation: Situation): number {
  const loadedBy = reading.test.startsWith('drop-charge') ? 'charging' : 'cranking';
  const reference = referenceAmps(loadedBy, situation);
  const amps =
    reading.conditions?.amps ?? (loadedBy === 'cranking' ? latest(situation, 'starter-draw')?.value : undefined);
  const volts = Math.abs(reading.value) / situation.scale;
  return amps !== undefined && amps > 5 && reference !== null ? (volts * reference) / amps : volts;
}

export const dropFindings: FindingRule = (situation) => PATHS.flatMap((row) => pathFinding(row, situation));

function pathFinding(row: PathRow, situation: Situation): Finding[] {
  const reading = latest(situation, row.test);
  if (!reading) return [];
  const source = { reading: reading.id };
  const measured = row.contains.map((test) => latest(situation, test)).filter((piece) => piece !== undefined);
  const open = Math.abs(reading.value) >= OPEN_VOLTS * situation.scale;
  if (open && measured.some((piece) => Math.abs(piece.value) >= OPEN_VOLTS * situation.scale)) return [];
  const excused = (test: TestName): boolean =>
    latest(situation, test) !== undefined || (open && closed(situation, test));
  const suspects: Cause[] = [
    ...causes(row.fault),
    ...causes(...row.pieces.filter(([test]) => !excused(test)).map(([, fault]) => [fault, 0.9] as const)),
  ];
  if (open)
    return [
      {
        causes: suspects,
        weight: 6,
        source,
        says: () => `${showValue(reading)} across the path with no current: it is open`,
      },
    ];
  const whole = atReference(reading, situation);
  const left = measured.reduce((rest, piece) => rest - atReference(piece, situation), whole);
  const noise = measured.length > 0 ? DIFFERENCE_NOISE * whole : 0;
  const ln = Math.log((Math.max(left - noise, 0) + FLOOR_VOLTS) / row.limit);
  const spread = { sound: SOUND_LN, faulty: [BAD_LN_VOLTS[0] - Math.log(row.limit), BAD_LN_VOLTS[1]] as const };
  return [
    {
      causes: suspects,
      weight: weigh(ln, spread, DIRECT_OUTLIERS),
      source,
      says: () =>
        measured.length > 0
          ? `${formatSmallVolts(Math.max(left, 0))} lost in it, its posts and contacts taken off`
          : `${formatSmallVolts(whole)} lost in it at the usual current`,
    },
  ];
}

/** Near zero across a piece while the whole path stands open: this piece is not the open one. */
export function closed(situation: Situation, test: TestName): boolean {
  const tried = situation.case.readings.filter(
    ({ test: name, pass = 'before', void: byHand }) => name === test && pass === situation.pass && byHand === undefined,
  );
  const value = tried.at(-1)?.value;
  return typeof value === 'number' && Math.abs(value) < situation.scale;
}

/** True where a reading of the path lies inside its limit: the path is excused. */
export function pathIsGood(situation: Situation, test: TestName): boolean {
  const reading = latest(situation, test);
  if (!reading) return false;
  const limit = limitsOf(situation.criteria, reading.test).find((entry) => applies(entry, reading, situation));
  return (
    limit !== undefined &&
    resolveLimit(limit, reading, situation) !== null &&
    assess(reading, situation).grade !== 'outside'
  );
}
