/** Limits that every school shares; a school's own limits replace those of the same test and rule. */
import type { Limit } from './criteria-set';
import type { TypicalDraw } from './expected-draw';

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
    note: 'note-charge-first',
  },
  {
    test: 'load-test',
    rule: { kind: 'temperature-floor', points: LOAD_FLOOR },
    borderline: 0.1,
    source: PRACTICE,
    note: 'note-load-test',
  },
  {
    test: 'internal-resistance',
    rule: { kind: 'ohms-times-cca', max: 4.5 },
    borderline: 0.5,
    source: 'Three quarters of the 6.0 V per CCA that the half-CCA load test asks for; docs/criteria.md',
    note: 'note-by-rating',
  },
  {
    test: 'specific-gravity',
    rule: { kind: 'spread', max: 0.05 },
    borderline: 0.02,
    source: PRACTICE,
    note: 'note-cells',
  },
  {
    test: 'hold-charge',
    rule: { kind: 'loss', maxVolts: 0.4 },
    borderline: 0.2,
    source: PRACTICE,
    note: 'note-dead-cell',
  },
  {
    test: 'inrush-voltage',
    when: { fuel: 'petrol' },
    rule: { kind: 'band', min: 8.5 },
    borderline: 0.2,
    source: PRACTICE,
    note: 'note-first-dip',
  },
  {
    test: 'starter-draw',
    rule: { kind: 'expected-draw' },
    borderline: 0.1,
    source: PRACTICE,
    note: 'note-usual-draw',
  },
  {
    test: 'cranking-speed',
    when: { fuel: 'petrol' },
    rule: { kind: 'band', min: 150 },
    borderline: 15,
    source: PRACTICE,
    note: 'note-petrol-speed',
  },
  {
    test: 'cranking-speed',
    when: { fuel: 'diesel' },
    rule: { kind: 'band', min: 130 },
    borderline: 10,
    source: PRACTICE,
    note: 'note-diesel-speed',
  },
  {
    test: 'starter-control-voltage',
    rule: { kind: 'band', min: 9.5 },
    borderline: 0.5,
    source: PRACTICE,
    note: 'note-solenoid',
  },
  {
    test: 'alternator-stud-voltage',
    rule: { kind: 'near-resting', tolerance: 0.2 },
    source: PRACTICE,
    note: 'note-stud',
  },
  {
    test: 'excitation-voltage',
    rule: { kind: 'band', min: 10.5 },
    borderline: 0.5,
    source: PRACTICE,
    note: 'note-excitation',
  },
  {
    test: 'charging-voltage',
    when: { regulation: 'commanded' },
    rule: { kind: 'commanded', tolerance: 0.3 },
    source: PRACTICE,
    note: 'note-commanded',
  },
  {
    test: 'ripple-waveform',
    rule: { kind: 'band', max: 0.8 },
    borderline: 0.3,
    source: PRACTICE,
    note: 'note-humps',
  },
  {
    test: 'ripple-waveform',
    rule: { kind: 'missing-humps', most: 0 },
    source: PRACTICE,
    note: 'note-humps',
  },
  {
    test: 'diode-forward',
    rule: { kind: 'band', min: 0.2, max: 1.3 },
    source: PRACTICE,
    note: 'note-one-way',
  },
  {
    test: 'diode-reverse',
    rule: { kind: 'blocks' },
    source: PRACTICE,
    note: 'note-one-way',
  },
  {
    test: 'parasitic-draw',
    rule: { kind: 'band', max: 0.08 },
    borderline: 0.03,
    source: PRACTICE,
    note: 'note-drain',
  },
];

export const EXPECTED_DRAW: readonly TypicalDraw[] = [
  { fuel: 'petrol', upToCylinders: 4, minAmps: 75, maxAmps: 200 },
  { fuel: 'petrol', upToCylinders: 6, minAmps: 120, maxAmps: 250 },
  { fuel: 'petrol', upToCylinders: 16, minAmps: 150, maxAmps: 300 },
  { fuel: 'diesel', upToCylinders: 16, minAmps: 250, maxAmps: 600 },
];
