/** Jobs whose end is the battery, or that only look like it. */
import { LABEL_CONFIRMED, SOUND_SYSTEM, charging, crank, drop, read, rest, ripple, saw } from '../cases';
import { itGoes } from './job';

const load = (volts: number, more: { attempt?: number; chargedBefore?: boolean } = {}) =>
  read('load-test', volts, { amps: 280, seconds: 15, ...more });

describe('slow in the morning', () => {
  itGoes('a worn battery: full, collapses under load, charged and repeated, replaced', {
    symptoms: ['slow-crank'],
    system: LABEL_CONFIRMED,
    steps: [
      ['resting, full', rest(12.64), { action: 'test-next', grade: 'within', asksNot: ['charge'] }],
      ['looked at the terminals', saw('terminals', 'clean'), { action: 'test-next' }],
      ['half the CCA for 15 s', load(8.4), { action: 'test-next', grade: 'outside', parts: { battery: 'not-proven' } }],
      ['a tester agrees', read('conductance', 250), { action: 'replace', part: 'battery', fault: 'battery-worn' }],
    ],
  });

  itGoes('only flat: low at rest, charged, and then as good as new', {
    symptoms: ['slow-crank'],
    steps: [
      ['resting, a third full', rest(12.12), { action: 'charge-first', part: 'battery', asks: ['charge'] }],
      ['cranked all the same', crank(8.8), { action: 'charge-first', grade: 'void' }],
      ['charged and read again', rest(12.66), { action: 'test-next', asksNot: ['charge'] }],
      ['a tester finds it good', read('conductance', 560), { action: 'test-next', parts: { battery: 'keep' } }],
      ['cranks well', crank(10.7), { action: 'test-next', parts: { battery: 'keep' } }],
    ],
  });

  itGoes('six even cells say it is good; a crank that nothing loaded says nothing of it', {
    symptoms: ['slow-crank'],
    steps: [
      ['resting', rest(12.63), { parts: { battery: 'not-proven' } }],
      ['it did not turn: the volts did not move', crank(12.55), { parts: { battery: 'not-proven' } }],
      [
        'six even cells',
        read('specific-gravity', [1.262, 1.265, 1.263, 1.264, 1.262, 1.266]),
        {
          grade: 'within',
          parts: { battery: 'keep' },
        },
      ],
    ],
  });

  itGoes('a dead cell: 10.5 V after the charge needs no load test', {
    symptoms: ['slow-crank'],
    steps: [
      ['resting', rest(10.52), { action: 'charge-first', part: 'battery' }],
      [
        'after a full charge it still reads the same',
        read('resting-voltage', 10.55, { surfaceChargeRemoved: true, minutesSinceCharge: 240 }),
        { action: 'replace', part: 'battery', fault: 'battery-dead-cell', grade: 'outside' },
      ],
    ],
  });

  itGoes('corroded posts look like a bad battery until the drop is read', {
    symptoms: ['slow-crank'],
    steps: [
      ['terminals are green', saw('terminals', 'corroded'), { action: 'test-next', asks: ['resting-voltage'] }],
      ['resting', rest(12.63), { action: 'test-next' }],
      ['a tester finds the battery good', read('conductance', 548), { parts: { battery: 'keep' } }],
      ['cranks low', crank(9.1), { action: 'test-next' }],
      ['few amps', read('starter-draw', 92), { action: 'test-next', parts: { battery: 'keep' } }],
      [
        '1.4 V between post and clamp',
        drop('drop-positive-post', 1.4, 92),
        {
          action: 'repair',
          part: 'connections',
          fault: 'connection-positive-post',
          parts: { battery: 'keep', connections: 'repair' },
        },
      ],
    ],
  });
});

describe('flat after some days', () => {
  const DAYS = ['goes-flat'];

  itGoes('a drain: the battery is good, the alternator charges, 0.9 A flow asleep', {
    symptoms: DAYS,
    steps: [
      ['resting', rest(12.6), { action: 'test-next' }],
      ['a tester finds the battery good', read('conductance', 551), { action: 'test-next' }],
      ['charges', charging(14.2), { action: 'test-next' }],
      ['and holds loaded', charging(13.9, 'on'), { action: 'test-next' }],
      ['awake still: says nothing', read('parasitic-draw', 1.4, { minutesAsleep: 2 }), { grade: 'void' }],
      [
        'asleep for 40 minutes',
        read('parasitic-draw', 0.92, { minutesAsleep: 40 }),
        {
          action: 'repair',
          part: 'drain',
          fault: 'parasitic-drain',
        },
      ],
    ],
  });

  itGoes('it loses 2 V overnight on the bench, disconnected: no charge is owed first', {
    symptoms: DAYS,
    steps: [
      ['resting', rest(12.62), { action: 'test-next' }],
      ['no drain', read('parasitic-draw', 0.02, { minutesAsleep: 45 }), { action: 'test-next' }],
      [
        '10.4 V after eleven hours disconnected',
        read('hold-charge', 10.4, { hours: 11, startVolts: 12.62 }),
        {
          action: 'replace',
          part: 'battery',
        },
      ],
    ],
  });

  itGoes('neither drain nor battery, but it is never filled: the alternator is weak', {
    symptoms: DAYS,
    steps: [
      ['resting, three quarters', rest(12.47), { action: 'test-next' }],
      ['holds what it has', read('hold-charge', 12.45, { hours: 12, startVolts: 12.5 }), { action: 'test-next' }],
      ['no drain', read('parasitic-draw', 0.02, { minutesAsleep: 45 }), { action: 'test-next' }],
      ['charges unloaded', charging(13.7), { action: 'test-next' }],
      ['sinks loaded', charging(12.6, 'on'), { action: 'test-next', grade: 'outside' }],
      ['belt is good', saw('belt', 'good'), { action: 'test-next' }],
      ['path out is good', drop('drop-charge-positive', 0.12, 52), { action: 'test-next' }],
      ['ground is good', drop('drop-charge-ground', 0.03, 52), { action: 'test-next' }],
      [
        'gives half of what it should',
        read('alternator-current', 52, { rpm: 2000, loads: 'on', systemVolts: 12.6 }),
        {
          action: 'test-next',
          fault: 'alternator-weak',
          asks: ['excitation-voltage'],
        },
      ],
      [
        'and it is told to charge',
        read('excitation-voltage', 12.3),
        {
          action: 'replace',
          part: 'alternator',
          fault: 'alternator-weak',
        },
      ],
    ],
  });
});

describe('what stops the work', () => {
  itGoes('a swollen case: nothing is tested, charged or jumped', {
    symptoms: ['battery-smell'],
    steps: [
      [
        'looked at it',
        saw('battery-case', 'swollen'),
        { action: 'stop', part: null, asksNot: ['load-test', 'charge'] },
      ],
    ],
  });

  itGoes('nearly flat at -10 °C it may be frozen; seen to be sound it is charged', {
    symptoms: ['no-crank-silent'],
    celsius: -10,
    steps: [
      ['resting', rest(11.85), { action: 'stop' }],
      ['looked: not frozen', saw('battery-case', 'sound'), { action: 'charge-first', part: 'battery' }],
    ],
  });

  itGoes('cooked: 15.7 V at speed with good paths is the regulator, whatever the battery says', {
    symptoms: ['battery-smell', 'bright-lamps'],
    system: SOUND_SYSTEM,
    steps: [
      ['resting', rest(12.7), { action: 'test-next' }],
      ['charging far above', charging(15.7), { grade: 'outside', parts: { alternator: 'not-proven' } }],
      ['ground path good', drop('drop-charge-ground', 0.02, 60), { asksNot: ['charge'] }],
      ['output path good', drop('drop-charge-positive', 0.1, 60), { fault: 'regulator-high' }],
      ['ripple is low', ripple(0.05), { action: 'test-next', asks: ['excitation-voltage'] }],
      [
        'its sense wire sees the battery',
        read('excitation-voltage', 12.6),
        {
          action: 'replace',
          part: 'alternator',
          fault: 'regulator-high',
        },
      ],
    ],
  });
});
