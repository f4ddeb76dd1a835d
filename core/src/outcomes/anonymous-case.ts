/** A case that can be given away: all that is measured, and nothing that tells whose vehicle it is or who measured it. */
import type { Case } from '../format/case-shape';
import { CONDITIONS } from '../format/conditions';
import type { ConditionName } from '../format/conditions';
import type { TestName } from '../format/names';
import type { Observation } from '../format/observation-shape';
import type { Reading } from '../format/reading-shape';
import { PARTS } from '../format/words';
import { TESTS } from '../trade/tables';

const DAY_MS = 86_400_000;
/** The day that the first reading is moved to; all other times keep their distance from it. */
const FIRST_DAY_MS = Date.parse('2000-01-01T00:00:00Z');
/** What stands in place of the reason of a void, which is somebody’s own words. */
const VOIDED = 'voided';

/** @returns the case with the same judgement, without names, notes, free texts, own ids and dates. */
export function anonymousCase({ format, system, complaint, conditions, observations = [], readings }: Case): Case {
  const shift = dayShift(readings);
  const fuses: Fuses = new Map();
  const { engine, battery, alternator, specified, nominalVolts } = system;
  const { serviceable, count, arrangement, rating, capacityAh, chemistry, installed } = battery;
  return {
    format,
    title: 'Anonymous case',
    system: told({
      nominalVolts,
      battery: told({
        ...{ chemistry, serviceable, count, arrangement, rating, capacityAh },
        installed: installed && new Date(Date.parse(installed) + shift).toISOString().slice(0, 10),
      }),
      ...{ engine, alternator, specified },
    }),
    ...(complaint && {
      complaint: told({
        symptoms: complaint.symptoms,
        partsAlreadyReplaced: complaint.partsAlreadyReplaced?.map(partNamed),
      }),
    }),
    ...(conditions && {
      conditions: told({ batteryCelsius: conditions.batteryCelsius, ambientCelsius: conditions.ambientCelsius }),
    }),
    observations: observations.map(({ about, finding, pass }): Observation => told({ about, finding, pass })),
    readings: readings.map((reading, at) => anonymousReading(reading, `r${at + 1}`, shift, fuses)),
  };
}

function anonymousReading(reading: Reading, id: string, shift: number, fuses: Fuses): Reading {
  const { test, value, conditions, at, notPossible, uncertainty, resolution, lowest, highest, live } = reading;
  const { battery, pass } = reading;
  return told({
    ...{ id, test, value, notPossible, uncertainty, resolution, lowest, highest, live, battery, pass },
    at: at && new Date(Date.parse(at) + shift).toISOString(),
    void: reading.void && VOIDED,
    conditions: conditions && anonymousConditions(test, conditions, fuses),
  });
}

/** Names that somebody gave to fuses, by what they are called instead. */
type Fuses = Map<unknown, string>;

/** Those that the test knows; what somebody named is numbered. */
function anonymousConditions(test: TestName, conditions: object, fuses: Fuses): NonNullable<Reading['conditions']> {
  const known = Object.entries(conditions).filter(([name]) => TESTS[test].conditions.includes(name as ConditionName));
  return Object.fromEntries(
    known.map(([name, value]) => {
      if (CONDITIONS[name as ConditionName].type !== 'text') return [name, value];
      if (!fuses.has(value)) fuses.set(value, `fuse ${fuses.size + 1}`);
      return [name, fuses.get(value)];
    }),
  ) as NonNullable<Reading['conditions']>;
}

/** The part that a text names; a name that is not ours is left out. */
const partNamed = (name: string): string => PARTS.find((part) => name.toLowerCase().includes(part)) ?? 'another part';

/** By how much all times are moved: whole days, so that the time of the day stays. */
function dayShift(readings: readonly Reading[]): number {
  const first = Math.min(...readings.flatMap(({ at }) => (at === undefined ? [] : [Date.parse(at)])));
  return Number.isFinite(first) ? FIRST_DAY_MS - Math.floor(first / DAY_MS) * DAY_MS : 0;
}

/** Without what is absent. */
const told = <T extends object>(value: { readonly [K in keyof T]: T[K] | undefined }): T =>
  Object.fromEntries(Object.entries(value).filter(([, entry]) => entry !== undefined)) as T;
