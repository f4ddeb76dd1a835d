/** Jobs that begin at the starter and often end elsewhere. */
import { charging, crank, drop, read, rest, ripple, saw } from '../cases';
import { itGoes } from './job';

const draw = (amps: number) => read('starter-draw', amps);
const rpm = (value: number) => read('cranking-speed', value);
const GOOD = [
  ['resting', rest(12.64), { action: 'test-next' }],
  ['a tester finds the battery good', read('conductance', 552), { parts: { battery: 'keep' } }],
] as const;

describe('slow, and the battery is good', () => {
  const symptoms = ['slow-crank'];

  itGoes('the joint between starter and block: the block reads good, the case does not', {
    symptoms,
    steps: [
      ...GOOD,
      ['cranks at usual volts', crank(11.2), { action: 'test-next' }],
      ['few amps', draw(88), { parts: { battery: 'keep' } }],
      ['positive side good', drop('drop-starter-positive', 0.15, 88), { action: 'test-next' }],
      ['engine block good', drop('drop-engine-ground', 0.04, 88), { action: 'test-next' }],
      [
        'starter case 1.9 V',
        drop('drop-starter-ground', 1.9, 88),
        {
          action: 'repair',
          part: 'connections',
          fault: 'cable-starter-ground',
          parts: { battery: 'keep', connections: 'repair' },
        },
      ],
    ],
  });

  itGoes('burnt solenoid contacts: the whole positive side is bad, its cable is not', {
    symptoms,
    steps: [
      ...GOOD,
      ['cranks', crank(11.4), { action: 'test-next' }],
      ['few amps', draw(80), { action: 'test-next' }],
      ['ground good', drop('drop-starter-ground', 0.05, 80), { action: 'test-next' }],
      [
        '1.8 V lost on the way',
        drop('drop-starter-positive', 1.8, 80),
        {
          action: 'test-next',
          asks: ['drop-solenoid'],
          parts: { connections: 'not-proven' },
        },
      ],
      [
        '1.65 V of it in the contacts',
        drop('drop-solenoid', 1.65, 80),
        {
          action: 'test-next',
          fault: 'solenoid-contacts',
          asks: ['starter-control-voltage'],
        },
      ],
      [
        'and the solenoid is told to close',
        read('starter-control-voltage', 11.4),
        {
          action: 'replace',
          part: 'starter',
          fault: 'solenoid-contacts',
        },
      ],
    ],
  });

  itGoes('a worn starter: good paths, good volts, few amps, slow', {
    symptoms,
    steps: [
      ...GOOD,
      ['cranks', crank(11.5), { action: 'test-next' }],
      ['few amps', draw(62), { action: 'test-next' }],
      ['slow', rpm(88), { action: 'test-next', grade: 'outside' }],
      ['ground good', drop('drop-starter-ground', 0.04, 62), { action: 'test-next' }],
      ['positive side good', drop('drop-starter-positive', 0.12, 62), { action: 'test-next', fault: 'starter-worn' }],
      [
        'told to crank with full volts',
        read('starter-control-voltage', 11.6),
        {
          action: 'replace',
          part: 'starter',
          fault: 'starter-worn',
        },
      ],
    ],
  });

  itGoes('a seized compressor is no starter: belt off, and the amps fall', {
    symptoms,
    steps: [
      ...GOOD,
      ['pulled down', crank(9.3), { action: 'test-next' }],
      ['twice the amps', draw(410), { action: 'test-next', grade: 'outside' }],
      ['tight by hand', saw('crank-by-hand', 'tight'), { action: 'test-next', asks: ['belt-removed-crank'] }],
      [
        'belt off: freed',
        saw('belt-removed-crank', 'freed'),
        {
          action: 'repair',
          part: 'mechanical',
          fault: 'accessory-seized',
          parts: { starter: 'not-proven' },
        },
      ],
    ],
  });

  itGoes('the clamp was on the wrong scale: 14 A cannot pull a battery down by 2 V', {
    symptoms,
    steps: [
      ...GOOD,
      ['cranks', crank(10.6), { action: 'test-next' }],
      ['14 A', draw(14), { grade: 'void', parts: { starter: 'not-proven' } }],
      ['on the right scale', draw(141), { grade: 'within' }],
    ],
  });

  itGoes('cold: 10 °C below nothing is asked of the battery that only a warm one gives', {
    symptoms,
    celsius: -12,
    steps: [
      ['resting', rest(12.58), { action: 'test-next' }],
      ['9.4 V in the cold passes its floor', crank(9.4), { grade: 'within' }],
      ['215 A in the cold is usual', draw(215), { grade: 'within' }],
    ],
  });
});

describe('it does not crank', () => {
  itGoes('nothing, lamps bright: no volts at the control terminal, and no starter is bought', {
    symptoms: ['no-crank-silent'],
    steps: [
      ['resting', rest(12.62), { action: 'test-next', asks: ['starter-draw'] }],
      ['the battery does not move', crank(12.5), { parts: { battery: 'not-proven' } }],
      ['no amps', draw(0), { asks: ['terminals'], parts: { starter: 'not-proven' } }],
      ['terminals clean', saw('terminals', 'clean'), { asks: ['starter-control-voltage'] }],
      [
        '0.3 V with the key at start',
        read('starter-control-voltage', 0.3),
        { part: 'control', fault: 'starter-control' },
      ],
    ],
  });

  itGoes('control is there, nothing flows, the contacts are open', {
    symptoms: ['no-crank-single-click'],
    steps: [
      ...GOOD,
      ['the battery does not move', crank(12.5), { action: 'test-next' }],
      ['no amps', draw(2), { action: 'test-next' }],
      ['control volts', read('starter-control-voltage', 12.1), { action: 'test-next' }],
      [
        'the whole battery lies across the positive side',
        read('drop-starter-positive', 12.4),
        {
          grade: 'outside',
          parts: { battery: 'keep' },
        },
      ],
      [
        'and all of it across the contacts',
        read('drop-solenoid', 12.4),
        { fault: 'solenoid-contacts', part: 'starter' },
      ],
    ],
  });

  itGoes('spins without turning the engine: the drive', {
    symptoms: ['spins-without-cranking'],
    steps: [
      ['resting', rest(12.63), { action: 'test-next' }],
      ['hardly loaded', crank(12.1), { action: 'test-next' }],
      ['hardly any amps', draw(48), { action: 'replace', part: 'starter', fault: 'starter-drive' }],
    ],
  });

  itGoes('a heavy click at 700 A: turned by hand first, and nothing condemned before', {
    symptoms: ['no-crank-single-click'],
    steps: [
      ['resting', rest(12.6), { action: 'test-next' }],
      ['pulled far down', crank(7.1), { action: 'test-next' }],
      ['700 A', draw(720), { action: 'test-next', asks: ['crank-by-hand'] }],
      [
        'locked by hand',
        saw('crank-by-hand', 'locked'),
        {
          parts: { battery: 'not-proven', starter: 'not-proven' },
          asks: ['belt-removed-crank'],
        },
      ],
    ],
  });
});

describe('it cranks as it should', () => {
  itGoes('cranks normally and does not fire: this system is read once and found good', {
    symptoms: ['cranks-normally'],
    steps: [
      ['resting', rest(12.65), { action: 'test-next' }],
      ['cranks', crank(10.8), { action: 'test-next' }],
      ['at usual amps', draw(128), { action: 'test-next' }],
      ['positive side', drop('drop-starter-positive', 0.16, 128), { action: 'test-next' }],
      ['ground', drop('drop-starter-ground', 0.05, 128), { parts: { connections: 'keep' } }],
      [
        'charging could not be read: it does not start',
        { ...charging(0), value: null, notPossible: 'did-not-start' },
        {
          parts: { alternator: 'not-tested' },
        },
      ],
    ],
  });

  itGoes('a radio that whines: ripple and its waveform', {
    symptoms: ['radio-whine'],
    steps: [
      ['resting', rest(12.6), { action: 'test-next' }],
      ['charges', charging(14.0), { action: 'test-next' }],
      ['0.62 V of ripple', ripple(0.62), { grade: 'outside', action: 'test-next', fault: 'alternator-diode' }],
      [
        'one hump missing',
        read('ripple-waveform', 1.9, { humpsMissing: 1, at: 'battery' }),
        {
          fault: 'alternator-diode',
          grade: 'outside',
          parts: { battery: 'not-proven' },
        },
      ],
    ],
  });
});
