/** The route of the bench as data: every test in working order, with what its entry asks for. */
import type { ConditionName, TestName } from '@tetrad/core';

export interface BenchStep {
  readonly test: TestName;
  /** Tells two steps of one test apart, and is set on every reading of this step. */
  readonly fixed?: Readonly<Partial<Record<ConditionName, string | number | boolean>>>;
  readonly name?: string;
  /** How to take it, in few words. */
  readonly how: string;
  /** Conditions the entry offers, with what they begin at. */
  readonly asks: Readonly<Partial<Record<ConditionName, string | number | boolean | null>>>;
  /** One of the four notes: always in view. */
  readonly note?: true;
}

export interface BenchGroup {
  readonly name: string;
  readonly steps: readonly BenchStep[];
}

const underCrank = 'Fuel stopped, crank, read the steady value across the path.';

export const BENCH_GROUPS: readonly BenchGroup[] = [
  {
    name: 'Battery',
    steps: [
      {
        test: 'resting-voltage',
        note: true,
        how: 'All off. Lamps on 1 min, off, wait 2 min. Red on the + post, black on the − post.',
        asks: { surfaceChargeRemoved: true },
      },
      { test: 'conductance', how: 'Tester on the posts, set to the label’s standard.', asks: {} },
      {
        test: 'load-test',
        how: 'Half the CCA for 15 s; read at the end, under load.',
        asks: { amps: null, seconds: 15, chargedBefore: false },
      },
      { test: 'internal-resistance', how: 'As the tester gives it, at the posts.', asks: {} },
    ],
  },
  {
    name: 'Starting',
    steps: [
      {
        test: 'cranking-voltage',
        note: true,
        how: 'Fuel stopped, loads off. Crank 8 s and read after the first 3 s, at the posts.',
        asks: { method: 'min-max', seconds: 8 },
      },
      {
        test: 'starter-draw',
        how: 'Clamp zeroed in place, jaws closed, around all conductors of one post.',
        asks: { clampCeilingAmps: null, zeroOffsetAmps: null },
      },
      { test: 'cranking-speed', how: '120 × compression peaks per second / cylinders.', asks: {} },
      { test: 'starter-control-voltage', how: 'At the solenoid’s control terminal, key at start.', asks: {} },
    ],
  },
  {
    name: 'Connections',
    steps: [
      { test: 'drop-positive-post', how: underCrank, asks: { amps: null } },
      { test: 'drop-negative-post', how: underCrank, asks: { amps: null } },
      { test: 'drop-starter-positive', how: underCrank, asks: { amps: null } },
      { test: 'drop-solenoid', how: underCrank, asks: { amps: null } },
      { test: 'drop-starter-ground', how: underCrank, asks: { amps: null } },
    ],
  },
  {
    name: 'Charging',
    steps: [
      {
        test: 'charging-voltage',
        note: true,
        fixed: { loads: 'off' },
        how: 'Engine at 1500 to 2500 rpm, loads off, at the posts.',
        asks: { rpm: 2000, commandedVolts: null },
      },
      {
        test: 'charging-voltage',
        fixed: { loads: 'on' },
        name: 'Charging, loads on',
        how: 'High beam, blower, demister and wipers on, 1500 rpm.',
        asks: { rpm: 1500, commandedVolts: null },
      },
      {
        test: 'ripple-ac',
        note: true,
        how: 'AC range that blocks DC, some load, 2000 rpm.',
        asks: { rpm: 2000, at: 'battery' },
      },
      {
        test: 'alternator-current',
        how: 'At the output wire, loaded until the system is near 12.6 V.',
        asks: { rpm: 2000, systemVolts: null, fieldPercent: null },
      },
      { test: 'alternator-stud-voltage', how: 'Engine off. The stud is live: insulated probe.', asks: {} },
      { test: 'excitation-voltage', how: 'At the sense or ignition terminal, key on.', asks: {} },
      { test: 'drop-charge-positive', how: 'Near full output, alternator B+ to battery +.', asks: { amps: null } },
      { test: 'drop-charge-ground', how: 'Near full output, alternator case to battery −.', asks: { amps: null } },
    ],
  },
  {
    name: 'Drain',
    steps: [
      {
        test: 'parasitic-draw',
        how: 'Doors latched, all asleep, clamp around all conductors of one post.',
        asks: { minutesAsleep: 30 },
      },
    ],
  },
];

export const BENCH_STEPS: readonly BenchStep[] = BENCH_GROUPS.flatMap(({ steps }) => steps);
