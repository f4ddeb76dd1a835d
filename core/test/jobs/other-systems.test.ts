/** Jobs on 6 V, 24 V and packs: the same trade, other figures. */
import { SOUND_SYSTEM, charging, drop, read, rest, saw } from '../cases';
import { itGoes } from './job';

const TRUCK = {
  nominalVolts: 24,
  engine: { cylinders: 6, fuel: 'diesel', displacementLitres: 7.2 },
  battery: {
    chemistry: 'flooded',
    count: 2,
    arrangement: 'series',
    rating: { value: 1000, standard: 'SAE' },
    capacityAh: 120,
  },
  alternator: { ratedAmps: 80, regulation: 'fixed' },
} as const;

const VAN = {
  ...SOUND_SYSTEM,
  engine: { cylinders: 4, fuel: 'diesel', displacementLitres: 2 },
  battery: { ...SOUND_SYSTEM.battery, count: 2, arrangement: 'parallel' },
} as const;

const OLD = {
  nominalVolts: 6,
  engine: { cylinders: 4, fuel: 'petrol', displacementLitres: 1.1 },
  battery: { chemistry: 'flooded', serviceable: true, rating: { value: 480, standard: 'SAE' }, capacityAh: 66 },
} as const;

const of = (battery: number) => ({ battery });
const restOf = (battery: number, volts: number) =>
  read('resting-voltage', volts, { surfaceChargeRemoved: true }, of(battery));

describe('a truck of 24 V', () => {
  itGoes('two in series: the flat one is charged before anything is condemned', {
    symptoms: ['slow-crank'],
    system: TRUCK,
    steps: [
      ['battery 1', restOf(1, 12.66), { asks: ['resting-voltage'] }],
      ['battery 2, half empty', restOf(2, 12.18), { action: 'charge-first', part: 'battery', asks: ['charge'] }],
      ['battery 2, charged', restOf(2, 12.64), { action: 'test-next' }],
      ['battery 1 tested good', read('conductance', 985, {}, of(1)), { action: 'test-next' }],
      [
        'battery 2 does not hold a load',
        read('load-test', 7.9, { amps: 500, seconds: 15 }, of(2)),
        {
          action: 'test-next',
          grade: 'outside',
        },
      ],
      [
        'and a tester says the same',
        read('conductance', 430, {}, of(2)),
        {
          action: 'replace',
          part: 'battery',
          says: /battery 2/i,
        },
      ],
    ],
  });

  itGoes('5.3 V on the way to the starter at 260 A is told in the volts that were read', {
    symptoms: ['slow-crank'],
    system: TRUCK,
    steps: [
      ['battery 1', restOf(1, 12.66), {}],
      ['battery 2', restOf(2, 12.65), { action: 'test-next' }],
      ['battery 1 good', read('conductance', 985, {}, of(1)), {}],
      ['battery 2 good', read('conductance', 970, {}, of(2)), { parts: { battery: 'keep' } }],
      ['cranks', read('cranking-voltage', 22.9, { method: 'min-max', seconds: 8 }), { grade: 'within' }],
      ['amps', read('starter-draw', 260), {}],
      ['ground good', drop('drop-starter-ground', 0.1, 260), { action: 'test-next' }],
      ['contacts good', drop('drop-solenoid', 0.2, 260), { action: 'test-next' }],
      ['post good', drop('drop-positive-post', 0.04, 260), { action: 'test-next' }],
      [
        '5.3 V over the whole side',
        drop('drop-starter-positive', 5.3, 260),
        {
          action: 'repair',
          part: 'connections',
          fault: 'cable-starter-positive',
          says: /5\.30 V.* at 260 A/,
        },
      ],
    ],
  });

  itGoes('28.4 V charging is as good as 14.2 V on a car', {
    symptoms: ['charge-lamp'],
    system: TRUCK,
    steps: [
      ['battery 1', restOf(1, 12.66), {}],
      ['battery 2', restOf(2, 12.65), { action: 'test-next' }],
      ['charges', charging(28.4), { grade: 'within' }],
    ],
  });
});

describe('two in parallel', () => {
  itGoes('the pack hides the bad one; apart it is named, and both are replaced', {
    symptoms: ['slow-crank'],
    system: VAN,
    steps: [
      ['as connected', rest(12.6), { action: 'test-next' }],
      ['battery 1 by itself', restOf(1, 12.63), { action: 'test-next' }],
      ['battery 2 by itself', restOf(2, 12.6), { action: 'test-next' }],
      ['battery 1 good', read('conductance', 550, {}, of(1)), { action: 'test-next' }],
      ['battery 2 bad', read('conductance', 240, {}, of(2)), { action: 'test-next', grade: 'outside' }],
      [
        '280 A are half the CCA of one battery',
        read('load-test', 8.2, { amps: 280, seconds: 15 }, of(2)),
        {
          action: 'replace',
          part: 'battery',
          says: /battery 2/i,
        },
      ],
    ],
  });

  itGoes('a good one says nothing of its neighbour: the pack is kept once both are measured', {
    symptoms: ['slow-crank'],
    system: VAN,
    steps: [
      ['battery 1 by itself', restOf(1, 12.63), { asks: ['resting-voltage'] }],
      ['battery 2 by itself', restOf(2, 12.62), { action: 'test-next' }],
      ['battery 1 good', read('conductance', 550, {}, of(1)), { parts: { battery: 'not-proven' } }],
      ['battery 2 good', read('conductance', 545, {}, of(2)), { parts: { battery: 'keep' } }],
    ],
  });
});

describe('an old car of 6 V', () => {
  itGoes('half of every limit: 6.32 V is full, 4.9 V under load passes', {
    symptoms: ['slow-crank'],
    system: OLD,
    steps: [
      ['resting', rest(6.32), { grade: 'within', action: 'test-next' }],
      ['under load', read('load-test', 4.9, { amps: 240, seconds: 15 }), { grade: 'within' }],
      ['0.6 V at the + post', drop('drop-positive-post', 0.6, 260), { grade: 'outside' }],
      ['the post is green', saw('terminals', 'corroded'), { action: 'repair', part: 'connections' }],
    ],
  });
});
