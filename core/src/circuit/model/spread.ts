/**
 * How real vehicles, instruments and people differ. Three spreads: one to tune by, a different one to test by,
 * and one to check by.
 */
export interface Spread {
  /** Temperature of battery, engine and air, °C: mean and sd. */
  readonly celsius: readonly [number, number];
  /** Resistance of a sound battery at 21 °C, V per CCA: mean and sd of its logarithm. */
  readonly batteryVoltsPerCca: number;
  readonly batterySd: number;
  /** Range of health (1 as rated) of sound and of worn batteries. */
  readonly soundHealth: readonly [number, number];
  readonly wornHealth: readonly [number, number];
  /** Sound path resistances over the usual ones: median and sd of the logarithm. */
  readonly pathFactor: number;
  readonly pathSd: number;
  /** Volts a bad path loses at the usual current, per 12 V. */
  readonly badPathVolts: readonly [number, number];
  /** Stall current of a sound starter over its usual draw. */
  readonly stallRatio: readonly [number, number];
  /** Cranking speed of a sound vehicle, rpm. */
  readonly crankRpm: readonly [number, number];
  /** Share of torque that grows with speed. */
  readonly viscousShare: number;
  readonly regulatorSd: number;
  readonly rippleVolts: readonly [number, number];
  readonly badRippleVolts: readonly [number, number];
  /** Relative error of a current, of a conductance; error of a voltage, V. */
  readonly ampsError: number;
  readonly conductanceError: number;
  readonly voltsError: number;
  /** Share of observations that are wrong. */
  readonly observerError: number;
  /** Terminals of the alternator that are found and read; the supply where absent. */
  readonly terminals?: readonly ('supply' | 'sense' | 'lamp' | 'enable')[];
  /** Amps of the load testers that cannot be set; half the CCA where absent. */
  readonly fixedLoads?: readonly number[];
  /** Share of starters' amps and of drops that a recorder read as a peak first. */
  readonly peaks?: number;
}

export const TUNING_SPREAD: Spread = {
  celsius: [17, 11],
  batteryVoltsPerCca: 4.8,
  batterySd: 0.1,
  soundHealth: [0.85, 1.12],
  wornHealth: [0.3, 0.64],
  pathFactor: 1,
  pathSd: 0.35,
  badPathVolts: [0.7, 4],
  stallRatio: [3.5, 5.5],
  crankRpm: [175, 260],
  viscousShare: 0.3,
  regulatorSd: 0.12,
  rippleVolts: [0.02, 0.1],
  badRippleVolts: [0.3, 0.9],
  ampsError: 0.03,
  conductanceError: 0.05,
  voltsError: 0.012,
  observerError: 0.02,
};

/** Deliberately different: stiffer starters, wider batteries, noisier hands, milder faults. */
export const TESTING_SPREAD: Spread = {
  celsius: [17, 11],
  batteryVoltsPerCca: 4.4,
  batterySd: 0.14,
  soundHealth: [0.82, 1.18],
  wornHealth: [0.25, 0.66],
  pathFactor: 1.25,
  pathSd: 0.4,
  badPathVolts: [0.55, 3.5],
  stallRatio: [3, 6.5],
  crankRpm: [165, 250],
  viscousShare: 0.45,
  regulatorSd: 0.15,
  rippleVolts: [0.015, 0.12],
  badRippleVolts: [0.26, 1.1],
  ampsError: 0.045,
  conductanceError: 0.07,
  voltsError: 0.018,
  observerError: 0.03,
};

/** Looked at once, when everything else is settled: other starters, other paths, other instruments. */
export const CHECKING_SPREAD: Spread = {
  celsius: [17, 11],
  batteryVoltsPerCca: 4.6,
  batterySd: 0.12,
  soundHealth: [0.84, 1.15],
  wornHealth: [0.28, 0.65],
  pathFactor: 1.1,
  pathSd: 0.45,
  badPathVolts: [0.6, 4.5],
  stallRatio: [3.2, 6],
  crankRpm: [160, 270],
  viscousShare: 0.38,
  regulatorSd: 0.14,
  rippleVolts: [0.02, 0.11],
  badRippleVolts: [0.28, 1],
  ampsError: 0.04,
  conductanceError: 0.06,
  voltsError: 0.015,
  observerError: 0.025,
};

/** What workshops do and a tidy model does not: fixed loads, whatever terminal is found, peaks, every weather. */
export const WORKSHOP_SPREAD: Spread = {
  ...TESTING_SPREAD,
  celsius: [8, 18],
  terminals: ['supply', 'sense', 'lamp', 'enable'],
  fixedLoads: [100, 125, 140],
  peaks: 0.15,
};
