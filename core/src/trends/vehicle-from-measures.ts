/** The circuit model of a vehicle from what was measured of it: what no reading tells is as in a sound one. */
import { mean } from 'simple-statistics';
import { convertRating, packCca } from '../battery/rating';
import { batteryOhmAt, crank } from '../circuit/model/cranking-circuit';
import { soundPieceOhms } from '../circuit/model/vehicle';
import type { Vehicle } from '../circuit/model/vehicle';
import { PATHS, PATH_TESTS, PIECE_NAMES } from '../circuit/paths';
import type { PieceName } from '../circuit/paths';
import { BALANCED } from '../criteria/schools';
import { coldDemand, expectedDraw } from '../criteria/expected-draw';
import { HEALTH_WAYS } from '../format/words';
import type { System } from '../format/case-shape';
import type { Measure } from './measures';
import { seriesOfPath } from './series';

/** What is assumed where nothing is told: each can be changed. */
export interface Assumptions {
  /** State of charge, 0 to 1. */
  readonly charge: number;
}

/** Usual cranking speeds, rpm, and volts at the motor (12 V), as in the circuit model. */
const USUAL_RPM = { petrol: 200, diesel: 180 } as const;
const MOTOR_VOLTS = 10.6;
/** Stall current over usual draw, and the share of torque that grows with speed. */
const STALL_RATIO = 4.2;
const VISCOUS_SHARE = 0.3;
/** Volts per CCA of a sound battery's resistance, as in the circuit model. */
const VOLTS_PER_CCA = 4.6;
/** A strong battery is no better than this for what it is asked here. */
const MOST_HEALTH = 1.1;
const USUAL_CCA = 560;
const USUAL_ALTERNATOR_AMPS = 90;
const REGULATED_VOLTS = 14.2;

/**
 * @param measures The newest of every series.
 * @param celsius Of battery and engine.
 */
export function vehicleFromMeasures(
  system: System,
  measures: readonly Measure[],
  celsius: number,
  { charge }: Assumptions,
): Vehicle {
  const valueOf = (series: Measure['series']): number | undefined =>
    measures.find((measure) => measure.series === series)?.value;
  const scale = system.nominalVolts / 12;
  const usual = expectedDraw(system, BALANCED.expectedDraw, 21);
  const fuel = system.engine?.fuel === 'diesel' ? 'diesel' : 'petrol';
  const rpm = USUAL_RPM[fuel];
  // a slow crank asks for less than the same engine at its usual speed
  const slow = 1 - VISCOUS_SHARE + (VISCOUS_SHARE * (valueOf('cranking-speed') ?? rpm)) / rpm;
  const drawn = valueOf('starter-draw');
  const usualAmps = drawn === undefined ? usual.reference : drawn / slow;
  const rating = system.battery.rating;
  const cca = packCca(system.battery) ?? (rating ? convertRating(rating, 'SAE') : null) ?? USUAL_CCA;
  const ratedAmps = system.alternator?.ratedAmps ?? USUAL_ALTERNATOR_AMPS;
  const sound = { usualAmps, ratedAmps, scale };
  const pieces = Object.fromEntries(PIECE_NAMES.map((piece) => [piece, soundPieceOhms(piece, sound)])) as Record<
    PieceName,
    number
  >;
  // a path that was measured shares its ohms among its pieces as a sound one does; longer paths first
  for (const test of [...PATH_TESTS].sort((a, b) => PATHS[b].pieces.length - PATHS[a].pieces.length)) {
    const ohms = valueOf(seriesOfPath(test));
    if (ohms === undefined) continue;
    const own = PATHS[test].pieces;
    const before = own.reduce((sum, piece) => sum + pieces[piece], 0);
    for (const piece of own) pieces[piece] *= ohms / before;
  }
  const motorVolts = MOTOR_VOLTS * scale;
  const motorOhm = motorVolts / (usualAmps * STALL_RATIO);
  const cold = coldDemand(celsius);
  const healths = HEALTH_WAYS.flatMap((way) => valueOf(`health-${way}`) ?? []);
  const health = healths.length > 0 ? Math.min(MOST_HEALTH, mean(healths)) : 1;
  const loadAmps = usualAmps * cold * (1 - VISCOUS_SHARE);
  const vehicle: Vehicle = {
    system,
    celsius,
    scale,
    cca,
    charge,
    health,
    deadCell: false,
    batteryOhm: (VOLTS_PER_CCA * scale) / cca,
    pieces,
    motorOhm,
    isMotorOpen: false,
    voltsPerRpm: (motorVolts - usualAmps * motorOhm) / rpm,
    loadAmps,
    soundLoadAmps: loadAmps,
    ampsPerRpm: (usualAmps * cold * VISCOUS_SHARE) / rpm,
    dragAmps: 0,
    driveEngages: true,
    controlVolts: 0,
    openSignal: null,
    locked: false,
    isJammed: false,
    alternatorShare: 1,
    regulatorVolts: valueOf('charging-voltage') ?? REGULATED_VOLTS * scale,
    excited: true,
    rippleVolts: valueOf('ripple') ?? 0,
    humpsMissing: 0,
    diodeShorted: false,
    beltShare: 1,
    accessorySeized: false,
    linkBlown: false,
    drainAmps: valueOf('drain') ?? 0,
    usualAmps,
    usualRpm: rpm,
    ratedAmps,
  };
  const ohms = valueOf('cranking-ohms');
  if (ohms !== undefined) {
    const atReference: Vehicle = { ...vehicle, celsius: 21, charge: 1 };
    // how it cranks tells more than how it tests
    vehicle.batteryOhm *= ohms / batteryOhmAt(atReference, usualAmps);
  }
  return vehicle;
}

/** A new battery of the same label is in it. */
export function renewBattery(vehicle: Vehicle): void {
  vehicle.health = 1;
  vehicle.batteryOhm = (VOLTS_PER_CCA * vehicle.scale) / vehicle.cca;
}

/** With the speed that was measured, at the temperature of that visit. @param celsius At that visit, °C. */
export function withMeasuredSpeed(
  system: System,
  measures: readonly Measure[],
  celsius: number,
  assumptions: Assumptions,
): Vehicle {
  const vehicle = vehicleFromMeasures(system, measures, celsius, assumptions);
  const speed = measures.find(({ series }) => series === 'cranking-speed');
  if (speed?.celsius === undefined) return vehicle;
  const { rpm } = crank(vehicleFromMeasures(system, measures, speed.celsius, assumptions));
  if (rpm <= 0) return vehicle;
  const faster = speed.value / rpm;
  vehicle.voltsPerRpm /= faster;
  return { ...vehicle, ampsPerRpm: vehicle.ampsPerRpm / faster, usualRpm: vehicle.usualRpm * faster };
}
