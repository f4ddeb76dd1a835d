/** Jobs about the alternator, its belt, its paths and what commands it. */
import { SOUND_SYSTEM, charging, drop, read, rest, ripple, saw } from '../cases';
import { itGoes } from './job';

const output = (amps: number, systemVolts = 12.7) =>
  read('alternator-current', amps, { rpm: 2000, loads: 'on', systemVolts });

describe('the battery lamp is on', () => {
  const symptoms = ['charge-lamp'];

  itGoes('the belt is gone: no alternator is bought', {
    symptoms,
    steps: [
      ['resting', rest(12.5), { action: 'test-next' }],
      ['nothing comes', charging(12.4), { grade: 'outside', parts: { alternator: 'not-proven' } }],
      ['looked: the belt is missing', saw('belt', 'missing'), { action: 'replace', part: 'belt', fault: 'belt-slip' }],
    ],
  });

  itGoes('a dead alternator: belt, stud, excitation and strap are looked at before it is called', {
    symptoms,
    steps: [
      ['resting', rest(12.5), { action: 'test-next' }],
      ['nothing comes', charging(12.3), { action: 'test-next', parts: { alternator: 'not-proven' } }],
      ['belt good', saw('belt', 'good'), { action: 'test-next' }],
      ['battery volts at its stud', read('alternator-stud-voltage', 12.48), { action: 'test-next' }],
      ['it is told to work', read('excitation-voltage', 12.2), { fault: 'alternator-dead', part: null }],
      ['strap sound', saw('ground-strap', 'sound'), { action: 'test-next', asks: ['alternator-current'] }],
      [
        'no amps with everything on',
        output(0, 12.1),
        {
          action: 'replace',
          part: 'alternator',
          fault: 'alternator-dead',
        },
      ],
    ],
  });

  itGoes('no volts at its stud: a blown fusible link, and the alternator stays', {
    symptoms,
    steps: [
      ['resting', rest(12.5), { action: 'test-next' }],
      ['nothing comes', charging(12.3), { action: 'test-next' }],
      ['belt good', saw('belt', 'good'), { action: 'test-next' }],
      ['the stud is dead', read('alternator-stud-voltage', 0.2), { fault: 'charge-cable-positive' }],
      [
        'the link is blown',
        saw('fusible-link', 'blown'),
        {
          action: 'repair',
          part: 'connections',
          fault: 'charge-cable-positive',
        },
      ],
    ],
  });

  itGoes('nobody tells it to charge: the excitation is missing', {
    symptoms,
    steps: [
      ['resting', rest(12.5), { action: 'test-next' }],
      ['nothing comes', charging(12.3), { action: 'test-next' }],
      ['belt good', saw('belt', 'good'), { action: 'test-next' }],
      ['stud good', read('alternator-stud-voltage', 12.5), { action: 'test-next' }],
      ['the lamp never lit with the key on', saw('charge-lamp', 'dead'), { parts: { alternator: 'not-proven' } }],
      [
        'nothing at the excitation terminal',
        read('excitation-voltage', 0.1, { terminal: 'supply' }),
        {
          action: 'repair',
          part: 'control',
          fault: 'charge-control',
        },
      ],
    ],
  });
});

describe('lamps dim at idle', () => {
  const symptoms = ['dim-at-idle'];

  itGoes('good at speed with loads off is not yet good: what it can give is asked for', {
    symptoms,
    steps: [
      ['resting', rest(12.6), { action: 'test-next' }],
      ['charges unloaded', charging(14.1), { action: 'test-next' }],
      ['holds loaded', charging(13.8, 'on'), { action: 'test-next', parts: { alternator: 'not-proven' } }],
      ['31 A at 13.8 V is what the vehicle asks, not what it can', output(31, 13.8), { grade: 'noted' }],
    ],
  });

  itGoes('a slipping belt gives few amps like a weak alternator', {
    symptoms: [...symptoms, 'belt-squeal'],
    steps: [
      ['resting', rest(12.6), { action: 'test-next' }],
      ['sinks loaded', charging(12.7, 'on'), { action: 'test-next', grade: 'outside' }],
      ['58 A of 110', output(58), { grade: 'outside', parts: { alternator: 'not-proven' } }],
      ['glazed', saw('belt', 'glazed'), { fault: 'belt-slip', parts: { alternator: 'not-proven' } }],
    ],
  });

  itGoes('0.9 V lost in the output cable: the alternator is good', {
    symptoms,
    steps: [
      ['resting', rest(12.6), { action: 'test-next' }],
      ['low at the posts', charging(13.3), { action: 'test-next', grade: 'outside' }],
      ['lower loaded', charging(12.9, 'on'), { action: 'test-next' }],
      ['belt good', saw('belt', 'good'), { action: 'test-next' }],
      [
        '0.9 V on the way at 80 A',
        drop('drop-charge-positive', 0.9, 80),
        {
          action: 'repair',
          part: 'connections',
          fault: 'charge-cable-positive',
          says: /80 A/,
        },
      ],
    ],
  });

  itGoes('a loose alternator ground', {
    symptoms,
    steps: [
      ['resting', rest(12.6), { action: 'test-next' }],
      ['low at the posts', charging(13.3), { action: 'test-next' }],
      ['output cable good', drop('drop-charge-positive', 0.15, 80), { action: 'test-next' }],
      ['engine ground good', drop('drop-engine-ground', 0.05), { action: 'test-next' }],
      [
        '0.7 V from its case',
        drop('drop-charge-ground', 0.7, 80),
        {
          action: 'repair',
          part: 'connections',
          fault: 'charge-cable-ground',
          parts: { battery: 'not-proven' },
        },
      ],
    ],
  });
});

describe('an alternator that is commanded', () => {
  const system = { ...SOUND_SYSTEM, alternator: { ratedAmps: 150, regulation: 'commanded' } } as const;

  itGoes('13.0 V says nothing until its target is known', {
    symptoms: ['goes-flat'],
    system,
    steps: [
      ['resting', rest(12.6), { action: 'test-next' }],
      ['13.0 V', charging(13.0), { grade: 'noted' }],
      [
        'its target was 12.9 V',
        read('charging-voltage', 13.0, { rpm: 2000, loads: 'off', commandedVolts: 12.9 }),
        { grade: 'within' },
      ],
    ],
  });

  itGoes('told to give 14.5 V, it gives 12.6 V', {
    symptoms: ['charge-lamp'],
    system,
    steps: [
      ['resting', rest(12.6), { action: 'test-next' }],
      [
        'far under its target',
        read('charging-voltage', 12.6, { rpm: 2000, loads: 'off', commandedVolts: 14.5 }),
        { grade: 'outside', parts: { alternator: 'not-proven' } },
      ],
      ['field at its end', read('field-duty', 98, { loads: 'on' }), { fault: 'alternator-dead', part: null }],
    ],
  });

  itGoes('too many volts belong to what commands it, not to the alternator', {
    symptoms: ['bright-lamps'],
    system,
    steps: [
      ['resting', rest(12.7), { action: 'test-next' }],
      [
        '15.8 V where 14.0 V is commanded',
        read('charging-voltage', 15.8, { rpm: 2000, loads: 'off', commandedVolts: 14 }),
        { grade: 'outside' },
      ],
      ['output path good', drop('drop-charge-positive', 0.1, 100), { action: 'test-next' }],
      ['ground path good', drop('drop-charge-ground', 0.03, 100), { fault: 'regulator-high' }],
      ['ripple low', ripple(0.05), { fault: 'regulator-high', parts: { battery: 'not-proven' } }],
    ],
  });
});
