/**
 * The circuit model: vehicles with a true state, faults injected into it, and every reading of the
 * format taken from it. It feeds the benchmark of the judge, the command line and the practice bay; the
 * judge itself never looks at it.
 */
export { agingBattery } from './aging';
export type { AgingBattery } from './aging';
export { fleetVehicle } from './fleet';
export type { FleetOptions, FleetVehicle, FleetVisit } from './fleet';
export { FULL_SET } from './full-set';
export { simulatePack } from './pack';
export type { PackOptions, SimulatedPack } from './pack';
export { SLOW_SHARE, SMELLS_FROM, SQUEALS_UNDER, WHINES_FROM } from './observe';
export { SimulatedVisit, simulateCase } from './simulate-case';
export type { SimulationOptions } from './simulate-case';
export { CHECKING_SPREAD, TESTING_SPREAD, TUNING_SPREAD, WORKSHOP_SPREAD } from '../circuit/model/spread';
export type { Spread } from '../circuit/model/spread';
export type { VehicleKind } from './sound-vehicle';
export type { Vehicle } from '../circuit/model/vehicle';
export { randomOf } from '../circuit/model/random';
export type { Random } from '../circuit/model/random';
export { MinMaxRecorder, SlowMeter, voltDigit } from './slow-meter';
export type { MeterRange } from './slow-meter';
export * from './record';
export * from './time';
export { halfCcaAmps, smallSignalOhm, testerAmps, testerCca } from '../circuit/model/cranking-circuit';
