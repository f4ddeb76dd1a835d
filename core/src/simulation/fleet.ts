/** Vehicles of a fleet over years: batteries age and are replaced, grounds corrode and are cleaned, visits measure it. */
import { CASE_FORMAT } from '../format/case-shape';
import type { Case } from '../format/case-shape';
import type { TestName } from '../format/names';
import type { Reading } from '../format/reading-shape';
import { randomOf } from '../circuit/model/random';
import type { Random } from '../circuit/model/random';
import { TUNING_SPREAD } from '../circuit/model/spread';
import type { Vehicle } from '../circuit/model/vehicle';
import { simulatedBench } from '../evidence/simulated-bench';
import { agingBattery } from './aging';
import { TEST_MODELS } from './models';
import { soundVehicle } from './sound-vehicle';

export interface FleetVisit {
  /** Days before the end of the simulated time. */
  readonly daysAgo: number;
  readonly subject: Case;
  /** What was done in the end. */
  readonly fitted: 'battery' | 'ground' | null;
  /** What the odometer showed. */
  readonly km: number;
}
export interface FleetVehicle {
  readonly index: number;
  readonly name: string;
  readonly plate: string;
  readonly year: number;
  readonly group: string;
  /** The oldest first. */
  readonly visits: readonly FleetVisit[];
}

export interface FleetOptions {
  readonly seed: number;
  /** Visits of each vehicle; the first vehicle has ten times as many. */
  readonly visits: number;
  /** The year in which the simulated time ends. */
  readonly endYear: number;
}

/** The readings of a visit. */
const READS: readonly TestName[] = [
  'resting-voltage',
  'cranking-voltage',
  'starter-draw',
  'cranking-speed',
  'drop-starter-positive',
  'drop-starter-ground',
  'conductance',
  'charging-voltage',
  'ripple-ac',
];
const BODIES = ['Van', 'Pickup', 'Sweeper', 'Bus', 'Wagon', 'Tender'] as const;
const IN_A_GROUP = 50;
const DAYS_A_YEAR = 365;
/** Over so long the visits are spread. */
const YEARS = 5;
const FIRST_VEHICLE_TIMES = 10;
/** A battery is replaced at the visit that finds it below. */
const REPLACED_UNDER = 0.7;
/** Temperature through the year, °C: mean, half the swing, day to day. */
const CLIMATE = { mean: 11, swing: 11, daily: 4 } as const;
/** A ground gains so many times its sound resistance a year, where it corrodes; it is cleaned from so many on. */
const CORRODES = { share: 0.25, perYear: 4, cleanedFrom: 8 } as const;
const KM_A_YEAR: readonly [number, number] = [6000, 40_000];

const plateOf = (index: number): string => `FL-${String(index + 1).padStart(5, '0')}`;

/** The same index and seed give the same vehicle with the same visits. @param index From 0. */
export function fleetVehicle(index: number, { seed, visits, endYear }: FleetOptions): FleetVehicle {
  const own = seed * 1_000_003 + index * 7919;
  const random = randomOf(own);
  const kmADay = random.between(...KM_A_YEAR) / DAYS_A_YEAR;
  const corrodes = random.chance(CORRODES.share);
  const groundAtStart = randomOf(own + 1).between(0, 3);
  let battery = agingBattery(random);
  let batterySince = -random.between(0, 4 * DAYS_A_YEAR);
  let groundSince = -groundAtStart * DAYS_A_YEAR;
  const count = index === 0 ? visits * FIRST_VEHICLE_TIMES : visits;
  const days = YEARS * DAYS_A_YEAR;
  const made: FleetVisit[] = [];
  for (let at = 0; at < count; at++) {
    const day = Math.floor(((at + random.between(0.1, 0.9)) / count) * days);
    const vehicle = vehicleOn(own, day, random);
    vehicle.health = battery.healthAt(day - batterySince);
    const grown = corrodes ? (CORRODES.perYear * (day - groundSince)) / DAYS_A_YEAR : 0;
    vehicle.pieces['engine-strap'] *= 1 + grown;
    const isWorn = vehicle.health < REPLACED_UNDER;
    const fitted = isWorn ? 'battery' : grown > CORRODES.cleanedFrom ? 'ground' : null;
    made.push({
      daysAgo: days - day,
      subject: visitCase(vehicle, random),
      fitted,
      km: Math.round(kmADay * (day + days)),
    });
    if (isWorn) {
      battery = agingBattery(random);
      batterySince = day;
    } else if (fitted === 'ground') groundSince = day;
  }
  const group = Math.floor(index / IN_A_GROUP) + 1;
  return {
    index,
    name: `${random.pick(BODIES)} ${index + 1}`,
    plate: plateOf(index),
    year: endYear - Math.round(random.between(YEARS, 15)),
    group: `Depot ${group}`,
    visits: made,
  };
}

/** The vehicle as its seed has it, on a day of the year. */
function vehicleOn(seed: number, day: number, random: Random): Vehicle {
  const vehicle = soundVehicle(randomOf(seed + 2), TUNING_SPREAD);
  const season = Math.sin((2 * Math.PI * (day % DAYS_A_YEAR)) / DAYS_A_YEAR);
  const celsius = Math.round(CLIMATE.mean + CLIMATE.swing * season + random.normal(0, CLIMATE.daily));
  return { ...vehicle, celsius, charge: random.between(0.82, 1), pieces: { ...vehicle.pieces } };
}

function visitCase(vehicle: Vehicle, random: Random): Case {
  const readings = READS.map((test, at): Reading => {
    const measured = TEST_MODELS[test].reads(simulatedBench(vehicle, random, TUNING_SPREAD, {}));
    return { id: `s${at + 1}`, test, ...measured };
  });
  const loaded = TEST_MODELS['charging-voltage'].reads(simulatedBench(vehicle, random, TUNING_SPREAD, { loads: 'on' }));
  return {
    format: CASE_FORMAT,
    title: 'simulated',
    system: vehicle.system,
    complaint: { symptoms: [] },
    conditions: { batteryCelsius: vehicle.celsius, ambientCelsius: vehicle.celsius },
    observations: [{ about: 'terminals', finding: 'clean' }],
    readings: [...readings, { id: `s${READS.length + 1}`, test: 'charging-voltage', ...loaded }],
  };
}
