/** Limits that every school shares; a school's own limits replace those of the same test and rule. */
import type { ExpectedDraw, Limit } from './criteria-set';

export const PRACTICE = 'Trade practice, docs/criteria.md';

/** Half-CCA load test: floor by battery temperature, [°C, V]. */
export const LOAD_FLOOR = [
  [-18, 8.5],
  [-12, 8.7],
  [-7, 8.9],
  [-1, 9.1],
  [4, 9.3],
  [10, 9.4],
  [16, 9.5],
  [21, 9.6],
] as const;

export const COMMON_LIMITS: readonly Limit[] = [
  {
    test: 'resting-voltage',
    rule: { kind: 'charge', minShare: 0.75 },
    source: PRACTICE,
    note: 'Below 75 % no load or cranking reading can condemn anything: charge first.',
  },
  {
    test: 'load-test',
    rule: { kind: 'temperature-floor', points: LOAD_FLOOR },
    borderline: 0.1,
    source: PRACTICE,
    note: 'Half the CCA for 15 s, read at the end under load; a cold battery is allowed less.',
  },
  {
    test: 'internal-resistance',
    rule: { kind: 'ohms-times-cca', max: 4.5 },
    borderline: 0.5,
    source: 'Three quarters of the 6.0 V per CCA that the half-CCA load test asks for; docs/criteria.md',
    note: 'Judged against the rating: one band in milliohms condemns small sound batteries and passes large worn ones.',
  },
  {
    test: 'specific-gravity',
    rule: { kind: 'spread', max: 0.05 },
    borderline: 0.02,
    source: PRACTICE,
    note: 'A spread of 0.050 between cells is a bad cell, 0.030 is watched; even and low wants a charge.',
  },
  {
    test: 'hold-charge',
    rule: { kind: 'loss', maxVolts: 0.4 },
    borderline: 0.2,
    source: PRACTICE,
    note: 'A loss of about 2 V overnight, disconnected, is a dead cell; a sound battery hardly moves.',
  },
  {
    test: 'inrush-voltage',
    when: { fuel: 'petrol' },
    rule: { kind: 'band', min: 8.5 },
    borderline: 0.2,
    source: PRACTICE,
    note: 'Floor of the first dip on a fast capture; holds for petrol engines only.',
  },
  {
    test: 'starter-draw',
    rule: { kind: 'expected-draw' },
    borderline: 0.1,
    source: PRACTICE,
    note: 'The maker’s figure first; else the typical range by cylinders and fuel, about 30 % more at −18 °C.',
  },
  {
    test: 'cranking-speed',
    when: { fuel: 'petrol' },
    rule: { kind: 'band', min: 150 },
    borderline: 15,
    source: PRACTICE,
    note: 'Usual is 150 to 250 rpm for petrol.',
  },
  {
    test: 'cranking-speed',
    when: { fuel: 'diesel' },
    rule: { kind: 'band', min: 130 },
    borderline: 10,
    source: PRACTICE,
    note: 'Usual is 130 to 250 rpm for diesel.',
  },
  {
    test: 'starter-control-voltage',
    rule: { kind: 'band', min: 9.5 },
    borderline: 0.5,
    source: PRACTICE,
    note: 'With the key at start the solenoid needs nearly what the battery still has.',
  },
  {
    test: 'alternator-stud-voltage',
    rule: { kind: 'near-resting', tolerance: 0.2 },
    source: PRACTICE,
    note: 'With the engine off the stud shows battery voltage; a blown fusible link shows none.',
  },
  {
    test: 'excitation-voltage',
    rule: { kind: 'band', min: 10.5 },
    borderline: 0.5,
    source: PRACTICE,
    note: 'Key on, the sense and ignition terminals need a supply, or the alternator is not told to work.',
  },
  {
    test: 'charging-voltage',
    when: { regulation: 'commanded' },
    rule: { kind: 'commanded', tolerance: 0.3 },
    source: PRACTICE,
    note: 'A commanded target moves on purpose; only the distance to it can be judged.',
  },
  {
    test: 'ripple-waveform',
    rule: { kind: 'band', max: 0.8 },
    borderline: 0.3,
    source: PRACTICE,
    note: 'Even humps of some tens of millivolts; a missing hump in six is a diode even where the AC figure passes.',
  },
  {
    test: 'diode-forward',
    rule: { kind: 'band', min: 0.2, max: 1.3 },
    source: PRACTICE,
    note: 'Stud to case on the diode range conducts one way only.',
  },
  {
    test: 'parasitic-draw',
    rule: { kind: 'band', max: 0.08 },
    borderline: 0.03,
    source: PRACTICE,
    note: 'Up to 50 mA is usual with all modules asleep, 80 mA is tolerated by some.',
  },
];

export const EXPECTED_DRAW: readonly ExpectedDraw[] = [
  { fuel: 'petrol', upToCylinders: 4, minAmps: 75, maxAmps: 200 },
  { fuel: 'petrol', upToCylinders: 6, minAmps: 120, maxAmps: 250 },
  { fuel: 'petrol', upToCylinders: 16, minAmps: 150, maxAmps: 300 },
  { fuel: 'diesel', upToCylinders: 16, minAmps: 250, maxAmps: 600 },
];
