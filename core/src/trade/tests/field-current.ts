import { latest } from '../../evidence/case-context';
import { isOutside, limitOf } from '../../evidence/limit-of';
import { causes, fixed } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import { cannot, done, round } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { ampsBetween } from '../measures';
import { LOADED_STEP, informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** What a sound field takes at full command, A at 12 V (docs/criteria.md, field current). */
const SOUND_AMPS = 4.5;

const phrases = {
  'field-takes-little': (w: { value: number }, voice: Voice) =>
    `${voice.amps(w.value)} of field current at full load: worn brushes`,
  'field-takes-much': (w: { value: number }, voice: Voice) =>
    `${voice.amps(w.value)} of field current: a shorted rotor`,
  'field-takes-enough': (w: { value: number }, voice: Voice) => `${voice.amps(w.value)} of field current`,
};
const say = sayer(phrases);

const ROTOR = causes('alternator-dead', 'alternator-weak');

export const fieldCurrent: Test = {
  ...ampsBetween(0, 50, 4),
  name: 'Field current',
  conditions: ['rpm', 'loads', 'systemVolts'],
  places: [
    {
      group: 'Charging',
      at: 8.2,
      how: 'Clamp around the field wire, full load, volts low.',
      asks: { loads: 'on', systemVolts: null },
      ticks: ['speed-held', 'loads-on', 'clamp-zeroed'],
    },
  ],
  leads: null,
  step: {
    ...LOADED_STEP,
    minutes: 3,
    place: 'alternator',
    informs: informs(0.5, 'alternator-dead', 'alternator-weak'),
    settles: 'Shows worn brushes or a shorted rotor.',
    // many machines have no field wire to reach
    when: () => false,
  },
  required: [],
  tellsOf: 'alternator',
  phrases,
  findings: ({ gradedCase }): readonly Finding[] => {
    const reading = latest(gradedCase, 'field-current');
    const limit = reading && limitOf(gradedCase, reading);
    if (!reading || !limit) return [];
    const source = { reading: reading.id };
    const { value } = reading;
    if (!isOutside(gradedCase, reading))
      return [fixed('field-takes-enough', ROTOR, source, say('field-takes-enough', { value }))];
    return [
      fixed(
        'field-takes-other',
        ROTOR,
        source,
        limit.value < limit.min ? say('field-takes-little', { value }) : say('field-takes-much', { value }),
      ),
    ];
  },
};

export const fieldCurrentModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, starts, loads, random }) =>
    starts
      ? done(round((vehicle.excited ? SOUND_AMPS : 0) * random.factor(0.1), 2), { loads })
      : cannot('did-not-start'),
};

export const fieldCurrentGuide: TestGuide = {
  why: ['What the rotor takes at full command tells its brushes and its winding.'],
  spoils: [
    'A field that is not driven fully: load the alternator until the volts fall.',
    'A clamp that is not zeroed.',
  ],
  means: ['About 3 to 6 A on a 12 V machine: good. Little: worn brushes. Much more: a shorted rotor.'],
};
