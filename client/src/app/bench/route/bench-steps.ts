/** The route of the bench as data: every step in working order, with what its entry asks for. */
import type { ConditionName, ObservationName, TestName, WaitKind } from '@tetrad/core';
import type { TickName } from './ticks';

interface Common {
  readonly name?: string;
  /** How to take it, in few words. */
  readonly how: string;
}

/** A measurement. */
export interface ReadingStep extends Common {
  readonly kind: 'reading';
  readonly test: TestName;
  /** Tells two steps of one test apart, and is set on every reading of this step. */
  readonly fixed?: Readonly<Partial<Record<ConditionName, string | number | boolean>>>;
  /** Conditions the entry offers, with what they begin at. */
  readonly asks: Readonly<Partial<Record<ConditionName, string | number | boolean | null>>>;
  readonly ticks: readonly TickName[];
  /** Waits and counts that belong to it. */
  readonly waits?: readonly WaitKind[];
  /** One of the four notes: always in view. */
  readonly note?: true;
  /** A battery of a pack is read by itself here. */
  readonly perBattery?: true;
}

/** Something looked at, listened to or tried by hand. */
export interface ObservationStep extends Common {
  readonly kind: 'observe';
  readonly about: ObservationName;
}

/** The complaint, and the charge: neither reads anything. */
export interface ActStep extends Common {
  readonly kind: 'ask' | 'charge';
  readonly name: string;
}

export type BenchStep = ReadingStep | ObservationStep | ActStep;

export interface BenchGroup {
  readonly name: string;
  readonly steps: readonly BenchStep[];
}

const read = (
  test: TestName,
  how: string,
  asks: ReadingStep['asks'],
  ticks: ReadingStep['ticks'],
  more: Partial<Omit<ReadingStep, 'kind' | 'test' | 'how' | 'asks' | 'ticks'>> = {},
): ReadingStep => ({ kind: 'reading', test, how, asks, ticks, ...more });
const look = (about: ObservationName, how: string): ObservationStep => ({ kind: 'observe', about, how });

const CRANKING: readonly TickName[] = ['fuel-stopped', 'neutral', 'loads-off'];
const crankDrop = (test: TestName, how: string): ReadingStep =>
  read(test, how, { amps: null }, ['fuel-stopped', 'neutral'], { waits: ['crank'] });
const RUNNING: readonly TickName[] = ['speed-held'];

export const BENCH_GROUPS: readonly BenchGroup[] = [
  {
    name: 'Ask and look',
    steps: [
      { kind: 'ask', name: 'Complaint', how: 'What does it do, since when, and what has been replaced already?' },
      look('battery-case', 'Swollen, cracked or frozen: stop here. Shake it: is it held down?'),
      look('terminals', 'Corroded or loose? Twist each clamp by hand.'),
      look('electrolyte', 'Batteries with caps only. Plates covered by about 6 mm; distilled water only.'),
      look('belt', 'Glazed, loose, missing? Press it midway.'),
      look('charge-lamp', 'Key on: the lamp is lit. Running: it is out.'),
      look('alternator-noise', 'Rumble or whine with the engine running.'),
      look('ground-strap', 'Engine to body and battery: broken strands, loose lugs, paint.'),
      look('fusible-link', 'Between the alternator and the battery: burnt or stretched?'),
    ],
  },
  {
    name: 'Battery',
    steps: [
      read(
        'resting-voltage',
        'Red on the + post, black on the − post. A rising figure has not rested long enough.',
        { surfaceChargeRemoved: null },
        ['all-off', 'on-posts'],
        { note: true, waits: ['lamps-on', 'settle'], perBattery: true },
      ),
      {
        kind: 'charge',
        name: 'Charge',
        how: 'Below 75 % nothing else can be judged. Charge fully, or substitute a sound one.',
      },
      read('conductance', 'Tester on the posts, set to the standard of the label.', {}, ['on-posts'], {
        perBattery: true,
      }),
      read(
        'load-test',
        'Half the CCA for 15 s; read at the end, under load.',
        { amps: null, seconds: 15, chargedBefore: null },
        ['tester-tight'],
        { waits: ['load'], perBattery: true },
      ),
      read('internal-resistance', 'As the tester gives it, at the posts.', {}, ['on-posts'], { perBattery: true }),
      read(
        'specific-gravity',
        'Batteries with caps: each cell, the − post first.',
        { electrolyteCelsius: null },
        ['plates-covered'],
        { perBattery: true },
      ),
      read(
        'charge-acceptance',
        'On the charger: how much does it take right away?',
        { volts: 14.5, minutes: 1 },
        ['clamp-zeroed'],
        { perBattery: true },
      ),
      read(
        'hold-charge',
        'Charged, disconnected, left standing: what is left?',
        { hours: null, startVolts: null },
        ['disconnected'],
        {
          perBattery: true,
        },
      ),
    ],
  },
  {
    name: 'Connections',
    steps: [
      crankDrop('drop-positive-post', 'From the post into the clamp. The steady value, not a peak.'),
      crankDrop('drop-negative-post', 'From the clamp into the post.'),
      crankDrop('drop-starter-positive', 'From the + post to the motor terminal: cables, solenoid and all.'),
      crankDrop('drop-solenoid', 'Across the two big terminals of the solenoid.'),
      crankDrop('drop-starter-ground', 'From the starter’s bare case to the − post.'),
      crankDrop('drop-engine-ground', 'From bare metal of the block to the − post.'),
      crankDrop('drop-body-ground', 'From bare metal of the body to the − post.'),
    ],
  },
  {
    name: 'Starting',
    steps: [
      read(
        'cranking-voltage',
        'Crank 8 s; read once the speed is steady, at the posts.',
        { method: 'min-max', seconds: 8 },
        CRANKING,
        { note: true, waits: ['crank'] },
      ),
      read(
        'starter-draw',
        'The steady amps, after the first 3 s.',
        { clampCeilingAmps: null, zeroOffsetAmps: null },
        [...CRANKING, 'clamp-zeroed', 'all-conductors'],
        { waits: ['crank'] },
      ),
      read('cranking-speed', '120 × compression peaks per second / cylinders.', {}, CRANKING, { waits: ['crank'] }),
      read('inrush-voltage', 'The first dip, under half a second.', { method: 'fast-peak' }, CRANKING, {
        waits: ['crank'],
      }),
      read(
        'inrush-current',
        'The first peak, under half a second.',
        { method: 'fast-peak' },
        [...CRANKING, 'clamp-zeroed'],
        {
          waits: ['crank'],
        },
      ),
      read('recovery-voltage', 'Does it bounce back at once when cranking stops?', { secondsAfter: 1 }, []),
      read('starter-control-voltage', 'At the solenoid’s control terminal.', {}, ['neutral', 'key-start']),
      look(
        'crank-by-hand',
        'First of three. Turn the crankshaft by its bolt: does it turn, is it tight, is it locked?',
      ),
      look('belt-removed-crank', 'Second of three. Accessory belt off, crank again: do the amps fall?'),
      look(
        'plugs-removed-crank',
        'Third of three. Plugs out, crank again: still heavy is the starter or the bottom end.',
      ),
    ],
  },
  {
    name: 'Charging',
    steps: [
      read(
        'charging-voltage',
        'At the posts, loads off.',
        { rpm: 2000, commandedVolts: null },
        [...RUNNING, 'loads-off'],
        {
          note: true,
          fixed: { loads: 'off' },
        },
      ),
      read('charging-voltage', 'At the posts, loads on.', { rpm: 1500, commandedVolts: null }, ['loads-on'], {
        name: 'Charging, loads on',
        fixed: { loads: 'on' },
      }),
      read(
        'ripple-ac',
        'AC at the posts, some load.',
        { rpm: 2000, loads: 'on', at: 'battery' },
        [...RUNNING, 'blocks-dc'],
        {
          note: true,
        },
      ),
      read(
        'alternator-current',
        'At the output wire, loaded until the system is near 12.6 V, never lower.',
        { rpm: 2000, systemVolts: null, fieldPercent: null },
        [...RUNNING, 'clamp-zeroed', 'loads-on'],
      ),
      read(
        'battery-current',
        'Into the battery, 3 min after a normal start.',
        { minutesAfterStart: null },
        ['clamp-zeroed', 'all-conductors'],
        {
          waits: ['run'],
        },
      ),
      read('alternator-stud-voltage', 'Engine off: battery voltage, or the link is blown.', {}, ['insulated-probe']),
      read('excitation-voltage', 'At the sense or ignition terminal.', {}, ['key-on']),
      read('field-duty', 'How hard the field is driven.', { loads: 'off' }, RUNNING),
      read('drop-charge-positive', 'From the output stud to the + post, near full output.', { amps: null }, [
        ...RUNNING,
        'loads-on',
        'insulated-probe',
      ]),
      read('drop-charge-ground', 'From the alternator’s case to the − post, near full output.', { amps: null }, [
        ...RUNNING,
        'loads-on',
      ]),
      read(
        'ripple-waveform',
        'AC coupled, tens of millivolts a division: even humps?',
        { humpsMissing: 0, at: 'battery' },
        RUNNING,
      ),
      read('diode-forward', 'Diode range, red on the case, black on the stud. Conducts: 0.2 to 1.3 V.', {}, [
        'disconnected',
      ]),
      read('diode-reverse', 'Leads swapped. OL is good; a figure is a shorted diode.', {}, ['disconnected']),
      read('module-voltage', 'As a module tells it; compare once with the post.', { offsetVolts: null }, ['key-on']),
    ],
  },
  {
    name: 'Drain',
    steps: [
      read(
        'parasitic-draw',
        'Wait until the modules sleep, then read.',
        { minutesAsleep: null },
        ['doors-latched', 'clamp-zeroed', 'all-conductors'],
        { waits: ['sleep'] },
      ),
    ],
  },
];

export const BENCH_STEPS: readonly BenchStep[] = BENCH_GROUPS.flatMap(({ steps }) => steps);
