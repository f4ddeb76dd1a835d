/** The simulated vehicle in time: hands in by its controls, moments out. */
export { AT_REST } from './controls';
export type { Controls } from './controls';
export { IDLE_RPM, PULSE_SHARE, VehicleInTime } from './vehicle-in-time';
export type { Instant, TimeOptions } from './vehicle-in-time';
export { acVolts, pointVolts } from './point-volts';
