/** Amps under which nothing flows in the motor: a solenoid's own winding at most. */
export const NO_FLOW_AMPS = 25;
/** Under this the engine stands, rpm. */
export const STANDS_RPM = 20;
