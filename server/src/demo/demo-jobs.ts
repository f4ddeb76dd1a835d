/**
 * The jobs of the demo: between them they show every verdict and every action. Times are hours before
 * the day the data is loaded.
 */
import type { NewSignOff } from '@tetrad/contracts';
import type { Case, Observation, Reading, WaitKind } from '@tetrad/core';
import { VEHICLES } from './demo-vehicles';
import type { DemoVehicle } from './demo-vehicles';

export interface DemoJob {
  readonly vehicle: DemoVehicle;
  readonly hoursAgo: number;
  readonly assignee: string;
  readonly symptoms: NonNullable<NonNullable<Case['complaint']>['symptoms']>;
  readonly partsAlreadyReplaced?: readonly string[];
  readonly note?: string;
  readonly celsius: number;
  readonly observations: readonly Observation[];
  readonly readings: readonly Omit<Reading, 'id' | 'at'>[];
  /** The same tests after the repair. */
  readonly after?: readonly Omit<Reading, 'id' | 'at'>[];
  readonly signOff?: Omit<NewSignOff, 'id'> & { readonly by: string };
  /** A wait that was begun some minutes before the data is loaded. */
  readonly wait?: { readonly kind: WaitKind; readonly seconds: number; readonly begunSecondsAgo: number };
}

type Draft = Omit<Reading, 'id' | 'at'>;
const rest = (value: number): Draft => ({
  test: 'resting-voltage',
  value,
  uncertainty: 0.02,
  conditions: { surfaceChargeRemoved: true },
});
const crank = (value: number): Draft => ({
  test: 'cranking-voltage',
  value,
  uncertainty: 0.05,
  conditions: { method: 'min-max', seconds: 8 },
});
const draw = (value: number): Draft => ({ test: 'starter-draw', value, conditions: { zeroOffsetAmps: 0 } });
const charge = (value: number, loads: 'off' | 'on' = 'off'): Draft => ({
  test: 'charging-voltage',
  value,
  uncertainty: 0.02,
  conditions: { rpm: 2000, loads },
});
const ripple = (value: number): Draft => ({
  test: 'ripple-ac',
  value,
  conditions: { rpm: 2000, loads: 'on', at: 'battery' },
});
const drop = (test: Draft['test'], value: number, amps: number): Draft => ({ test, value, conditions: { amps } });
const plain = (test: Draft['test'], value: number): Draft => ({ test, value });
const load = (value: number, amps: number): Draft => ({
  test: 'load-test',
  value,
  conditions: { amps, seconds: 15, chargedBefore: true },
});
const saw = (about: Observation['about'], finding: string): Observation => ({ about, finding });

export const DEMO_JOBS: readonly DemoJob[] = [
  {
    vehicle: VEHICLES.mealVan,
    hoursAgo: 2,
    assignee: 'Ilse Marrow',
    symptoms: ['slow-crank'],
    celsius: 12,
    note: 'Slow on cold mornings. New starter last month, no change.',
    partsAlreadyReplaced: ['starter'],
    observations: [saw('terminals', 'clean'), saw('belt', 'good')],
    readings: [
      rest(12.58),
      crank(8.7),
      draw(165),
      plain('conductance', 262),
      load(8.3, 280),
      charge(14.2),
      ripple(0.05),
    ],
  },
  {
    vehicle: VEHICLES.parksPickup,
    hoursAgo: 3,
    assignee: 'Tomas Aldery',
    symptoms: ['slow-crank'],
    celsius: 16,
    observations: [saw('terminals', 'clean'), saw('ground-strap', 'damaged'), saw('belt', 'good')],
    readings: [
      rest(12.62),
      crank(11.4),
      draw(92),
      plain('conductance', 575),
      plain('cranking-speed', 105),
      drop('drop-starter-positive', 0.22, 92),
      drop('drop-starter-ground', 2.9, 92),
      drop('drop-negative-post', 0.02, 92),
      drop('drop-engine-ground', 2.8, 92),
      charge(14.1),
      ripple(0.04),
    ],
  },
  {
    vehicle: VEHICLES.surveyCar,
    hoursAgo: 5,
    assignee: 'Ilse Marrow',
    symptoms: ['slow-crank', 'lamps-dim-on-crank'],
    celsius: 18,
    observations: [
      saw('terminals', 'clean'),
      saw('crank-by-hand', 'turns'),
      saw('belt-removed-crank', 'unchanged'),
      saw('plugs-removed-crank', 'unchanged'),
      saw('belt', 'good'),
    ],
    readings: [
      rest(12.64),
      crank(9.7),
      draw(425),
      plain('conductance', 640),
      plain('cranking-speed', 105),
      plain('starter-control-voltage', 9.5),
      drop('drop-starter-positive', 0.46, 425),
      drop('drop-starter-ground', 0.17, 425),
      charge(14.3),
      ripple(0.05),
    ],
  },
  {
    vehicle: VEHICLES.utilityVan,
    hoursAgo: 1,
    assignee: 'Bo Hannick',
    symptoms: ['charge-lamp'],
    celsius: 14,
    observations: [
      saw('belt', 'good'),
      saw('ground-strap', 'sound'),
      saw('charge-lamp', 'on-running'),
      saw('terminals', 'clean'),
    ],
    readings: [
      rest(12.72),
      crank(10.6),
      charge(12.4),
      charge(12.1, 'on'),
      ripple(0.01),
      plain('alternator-stud-voltage', 12.7),
      plain('excitation-voltage', 12.5),
      { test: 'alternator-current', value: 1, conditions: { rpm: 2000, loads: 'on', systemVolts: 12.1 } },
    ],
  },
  {
    vehicle: VEHICLES.libraryBus,
    hoursAgo: 7,
    assignee: 'Bo Hannick',
    symptoms: ['radio-whine'],
    celsius: 20,
    observations: [saw('belt', 'good'), saw('terminals', 'clean')],
    readings: [
      rest(12.75),
      crank(10.5),
      charge(13.9),
      charge(13.3, 'on'),
      ripple(0.62),
      { test: 'ripple-waveform', value: 1.6, conditions: { humpsMissing: 1, at: 'battery' } },
      plain('alternator-stud-voltage', 12.75),
      plain('excitation-voltage', 12.5),
      drop('drop-charge-positive', 0.14, 120),
      drop('drop-charge-ground', 0.03, 120),
    ],
  },
  {
    vehicle: VEHICLES.wardenCar,
    hoursAgo: 4,
    assignee: 'Tomas Aldery',
    symptoms: ['no-crank-rapid-clicks', 'goes-flat'],
    celsius: 9,
    observations: [saw('terminals', 'corroded')],
    readings: [rest(12.02)],
    wait: { kind: 'charge', seconds: 3 * 3600, begunSecondsAgo: 40 * 60 },
  },
  {
    vehicle: VEHICLES.poolCar,
    hoursAgo: 26,
    assignee: 'Ilse Marrow',
    symptoms: ['slow-crank'],
    celsius: 19,
    observations: [saw('terminals', 'clean'), saw('belt', 'good')],
    readings: [rest(12.61), crank(10.9), draw(128), charge(14.2), charge(14.0, 'on'), ripple(0.04)],
  },
  {
    vehicle: VEHICLES.streetSweeper,
    hoursAgo: 6,
    assignee: 'Bo Hannick',
    symptoms: ['dim-at-idle'],
    celsius: 17,
    observations: [saw('terminals', 'clean')],
    readings: [rest(12.7), crank(10.6), charge(13.6), charge(12.9, 'on'), ripple(0.06)],
  },
  {
    vehicle: VEHICLES.bridgeVan,
    hoursAgo: 8,
    assignee: 'Tomas Aldery',
    symptoms: ['charge-lamp'],
    celsius: 21,
    observations: [],
    readings: [
      rest(12.74),
      crank(10.8),
      { test: 'charging-voltage', value: 13.1, conditions: { rpm: 1800, loads: 'off', commandedVolts: 13.0 } },
    ],
  },
  {
    vehicle: VEHICLES.snowPlough,
    hoursAgo: 30,
    assignee: 'Ilse Marrow',
    symptoms: ['slow-crank'],
    celsius: -14,
    observations: [saw('battery-case', 'frozen')],
    readings: [rest(23.6)],
  },
  {
    vehicle: VEHICLES.fireTender,
    hoursAgo: 50,
    assignee: 'Bo Hannick',
    symptoms: ['cranks-normally'],
    celsius: 15,
    note: 'Yearly check.',
    observations: [saw('terminals', 'clean'), saw('belt', 'good')],
    readings: [
      { ...rest(12.72), battery: 1 },
      { ...rest(12.7), battery: 2 },
      crank(21.2),
      draw(250),
      drop('drop-starter-positive', 0.28, 250),
      drop('drop-starter-ground', 0.19, 250),
      charge(28.1),
      charge(27.8, 'on'),
      ripple(0.09),
      drop('drop-charge-positive', 0.12, 60),
      drop('drop-charge-ground', 0.07, 60),
    ],
  },
  {
    vehicle: VEHICLES.greenMower,
    hoursAgo: 28,
    assignee: 'Tomas Aldery',
    symptoms: ['no-crank-silent'],
    celsius: 18,
    observations: [saw('terminals', 'clean')],
    readings: [
      rest(6.32),
      { test: 'cranking-voltage', value: null, notPossible: 'did-not-crank' },
      plain('conductance', 290),
      plain('starter-control-voltage', 0.4),
    ],
  },
  {
    vehicle: VEHICLES.mealVan,
    hoursAgo: 24 * 61,
    assignee: 'Bo Hannick',
    symptoms: ['cranks-normally'],
    celsius: 20,
    note: 'Yearly check.',
    observations: [saw('terminals', 'clean')],
    readings: [rest(12.6), crank(10.1), charge(14.2), ripple(0.04)],
  },
  {
    vehicle: VEHICLES.wardenCar,
    hoursAgo: 24 * 30,
    assignee: 'Ilse Marrow',
    symptoms: ['goes-flat'],
    celsius: 22,
    observations: [saw('terminals', 'clean')],
    readings: [
      rest(12.55),
      crank(10.4),
      charge(14.1),
      ripple(0.05),
      { test: 'parasitic-draw', value: 0.42, conditions: { minutesAsleep: 40 } },
    ],
  },
  {
    vehicle: VEHICLES.streetSweeper,
    hoursAgo: 12,
    assignee: 'Tomas Aldery',
    symptoms: ['battery-smell', 'bright-lamps'],
    celsius: 24,
    observations: [],
    readings: [rest(13.4), { test: 'cranking-voltage', value: 8.8, conditions: { method: 'fast-peak' } }],
  },
  {
    vehicle: VEHICLES.poolCar,
    hoursAgo: 0.5,
    assignee: 'Bo Hannick',
    symptoms: ['slow-crank'],
    celsius: 11,
    observations: [],
    readings: [],
  },
  {
    vehicle: VEHICLES.parksPickup,
    hoursAgo: 24 * 205,
    assignee: 'Tomas Aldery',
    symptoms: ['slow-crank'],
    celsius: 7,
    observations: [saw('terminals', 'clean'), saw('belt', 'good')],
    readings: [
      rest(12.55),
      crank(8.9),
      draw(170),
      plain('conductance', 255),
      load(8.6, 300),
      charge(14.3),
      ripple(0.05),
    ],
    after: [rest(12.7), crank(10.9), draw(150), plain('conductance', 610), load(10.3, 300), charge(14.3), ripple(0.04)],
    signOff: {
      by: 'Tomas Aldery',
      action: 'repaired',
      part: 'battery',
      conclusion:
        'The battery no longer carried the starter. It was replaced, and the same tests are within their limits.',
      partsFitted: ['battery 600 A SAE'],
      comment: 'Old battery back to the supplier.',
      solved: true,
    },
  },
  ...[
    { days: 980, celsius: 14, health: 1.02, volts: 10.9 },
    { days: 770, celsius: 4, health: 0.95, volts: 10.4 },
    { days: 570, celsius: 19, health: 0.83, volts: 10.5 },
    { days: 385, celsius: 9, health: 0.7, volts: 9.9 },
  ].map(({ days, celsius, health, volts }): DemoJob => ({
    vehicle: VEHICLES.parksPickup,
    hoursAgo: 24 * days,
    assignee: 'Tomas Aldery',
    symptoms: ['cranks-normally'],
    celsius,
    observations: [saw('terminals', 'clean')],
    readings: [
      rest(12.65),
      crank(volts),
      draw(150),
      plain('conductance', Math.round(620 * health)),
      charge(14.3),
      ripple(0.04),
    ],
  })),
];
