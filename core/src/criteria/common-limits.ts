/** Limits that every school shares; a school's own limits replace those of the same test and rule. */
import type { PathTest } from '../circuit/paths';
import type { TestName } from '../format/names';
import type { Limit } from './criteria-set';
import type { TypicalDraw } from './expected-draw';

export const PRACTICE = 'Trade practice, docs/criteria.md';

/** Half-CCA load test: floor by battery temperature, [°C, V]. */
export const LOAD_FLOOR = [
  // on from there at the same slope: the table of the trade ends at −18 °C
  [-30, 8.1],
  [-18, 8.5],
  [-12, 8.7],
  [-7, 8.9],
  [-1, 9.1],
  [4, 9.3],
  [10, 9.4],
  [16, 9.5],
  [21, 9.6],
] as const;

/** Tests whose limits each school sets itself (`limit-makers.ts`). */
type SchoolTest =
  | PathTest
  | 'cranking-voltage'
  | 'charging-voltage'
  | 'ripple-ac'
  | 'conductance'
  | 'alternator-current'
  | 'battery-current';

/** Tests that no school limits: their readings are noted, and weighed by themselves. */
type UnlimitedTest =
  'inrush-current' | 'recovery-voltage' | 'module-voltage' | 'charge-acceptance' | 'field-duty' | 'fuse-drop';

/** A new test is one of the two above, or has its limits below: anything else does not compile. */
type CommonTest = Exclude<TestName, SchoolTest | UnlimitedTest>;

/** The limits that every shipped school shares, by test. */
const BY_TEST: Readonly<Record<CommonTest, readonly Omit<Limit, 'test'>[]>> = {
  'resting-voltage': [
    {
      rule: { kind: 'charge', minShare: 0.75 },
      temperature: { none: 'by-rule' },
      source: PRACTICE,
      note: 'note-charge-first',
    },
  ],
  'load-test': [
    {
      rule: { kind: 'temperature-floor', points: LOAD_FLOOR },
      borderline: 0.1,
      temperature: { none: 'by-rule' },
      source: PRACTICE,
      note: 'note-load-test',
    },
  ],
  'internal-resistance': [
    {
      rule: { kind: 'ohms-times-cca', max: 4.5 },
      borderline: 0.5,
      temperature: { atMinus18: 1.4 },
      source: 'Three quarters of the 6.0 V per CCA that the half-CCA load test asks for; docs/criteria.md',
      note: 'note-by-rating',
    },
  ],
  'specific-gravity': [
    {
      rule: { kind: 'spread', max: 0.05 },
      borderline: 0.02,
      temperature: { none: 'compared' },
      source: PRACTICE,
      note: 'note-cells',
    },
  ],
  'hold-charge': [
    {
      rule: { kind: 'loss', maxVolts: 0.4 },
      borderline: 0.2,
      temperature: { none: 'kinder' },
      source: PRACTICE,
      note: 'note-dead-cell',
    },
  ],
  'inrush-voltage': [
    {
      when: { fuel: 'petrol' },
      rule: { kind: 'band', min: 8.5 },
      borderline: 0.2,
      temperature: { atMinus18: 0.86 },
      source: PRACTICE,
      note: 'note-first-dip',
    },
  ],
  'starter-draw': [
    {
      rule: { kind: 'expected-draw' },
      borderline: 0.1,
      temperature: { none: 'by-rule' },
      source: PRACTICE,
      note: 'note-usual-draw',
    },
  ],
  'cranking-speed': [
    {
      when: { fuel: 'petrol' },
      rule: { kind: 'band', min: 150 },
      borderline: 15,
      temperature: { atMinus18: 0.7 },
      source: PRACTICE,
      note: 'note-petrol-speed',
    },
    {
      when: { fuel: 'diesel' },
      rule: { kind: 'band', min: 130 },
      borderline: 10,
      temperature: { atMinus18: 0.7 },
      source: PRACTICE,
      note: 'note-diesel-speed',
    },
  ],
  'starter-control-voltage': [
    {
      rule: { kind: 'under-battery', maxVolts: 1 },
      borderline: 0.3,
      temperature: { none: 'compared' },
      source: PRACTICE,
      note: 'note-solenoid',
    },
  ],
  'starter-motor-voltage': [
    {
      rule: { kind: 'under-battery', maxVolts: 1 },
      borderline: 0.3,
      temperature: { none: 'compared' },
      source:
        'Half a volt on either side, the lenient school; near from the strict 0.5 and 0.2 V. docs/criteria.md, drops',
      note: 'note-motor',
    },
  ],
  'alternator-stud-voltage': [
    {
      rule: { kind: 'near-resting', tolerance: 0.2 },
      temperature: { none: 'compared' },
      source: PRACTICE,
      note: 'note-stud',
    },
  ],
  'excitation-voltage': [
    {
      rule: { kind: 'terminal-volts', underBattery: 2, lampMin: 0.8, lampMax: 4, enableShare: 0.7 },
      borderline: 0.5,
      temperature: { none: 'compared' },
      source: PRACTICE,
      note: 'note-excitation',
    },
  ],
  'ripple-waveform': [
    {
      rule: { kind: 'band', max: 0.8 },
      borderline: 0.3,
      temperature: { none: 'hardly' },
      source: PRACTICE,
      note: 'note-humps',
    },
    {
      rule: { kind: 'missing-humps', most: 0 },
      temperature: { none: 'counted' },
      source: PRACTICE,
      note: 'note-humps',
    },
  ],
  'field-current': [
    {
      // at full command: only then its low end means worn brushes
      when: { loads: 'on' },
      rule: { kind: 'band', min: 2.5, max: 7 },
      borderline: 0.5,
      temperature: { none: 'hardly' },
      source: PRACTICE,
      note: 'note-field',
    },
  ],
  'diode-forward': [
    {
      rule: { kind: 'band', min: 0.2, max: 1.3 },
      temperature: { none: 'hardly' },
      source: PRACTICE,
      note: 'note-one-way',
    },
  ],
  'diode-reverse': [
    {
      rule: { kind: 'blocks' },
      temperature: { none: 'counted' },
      source: PRACTICE,
      note: 'note-one-way',
    },
  ],
  'parasitic-draw': [
    {
      rule: { kind: 'band', max: 0.08 },
      borderline: 0.03,
      temperature: { none: 'kinder' },
      source: PRACTICE,
      note: 'note-drain',
    },
  ],
};

export const COMMON_LIMITS: readonly Limit[] = (Object.keys(BY_TEST) as CommonTest[]).flatMap((test) =>
  BY_TEST[test].map((limit) => ({ test, ...limit })),
);

export const EXPECTED_DRAW: readonly TypicalDraw[] = [
  { fuel: 'petrol', upToCylinders: 4, minAmps: 75, maxAmps: 200 },
  { fuel: 'petrol', upToCylinders: 6, minAmps: 120, maxAmps: 250 },
  { fuel: 'petrol', upToCylinders: 16, minAmps: 150, maxAmps: 300 },
  { fuel: 'diesel', upToCylinders: 16, upToLitres: 4, minAmps: 250, maxAmps: 600 },
];
