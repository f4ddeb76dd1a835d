import { besideUnderLoads } from '../../evidence/beside';
import { latest, loadsOf } from '../../evidence/case-context';
import { causes, fixed } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import { cannot, done } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { LOADED_STEP, informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** Commands over and under which a field is full, hardly driven, or driven easily, %. */
const FULL_PERCENT = 90;
const HARDLY_PERCENT = 20;
const EASY_PERCENT = 80;
/** Under this charging voltage (12 V) the field tells why, V. */
const LOW_VOLTS = 13.3;

const phrases = {
  'field-full': (w: { percent: number }, voice: Voice) => `the field is commanded to ${voice.share(w.percent / 100)}`,
  'field-short': (w: { percent: number }, voice: Voice) =>
    `the field is commanded to only ${voice.share(w.percent / 100)}`,
  'no-reserve': (w: { percent: number }, voice: Voice) =>
    `${voice.share(w.percent / 100)} of field at a light load: no reserve`,
  'in-reserve': (w: { percent: number }, voice: Voice) =>
    `${voice.share(w.percent / 100)} of field with loads on: the rest is in reserve`,
};
const say = sayer(phrases);

const WEAK = causes('alternator-weak', ['belt-slip', 0.9], ['alternator-diode', 0.5]);

/** The regulator's own word: near full at a light load means no reserve, far from full with loads on means plenty. */
export const fieldDuty: Test = {
  ...POST_VOLTS,
  unit: '%',
  domain: [0, 100],
  usual: 40,
  scales: false,
  name: 'Field duty',
  conditions: ['loads'],
  places: [
    { group: 'Charging', at: 8, how: 'How hard the field is driven.', asks: { loads: 'off' }, ticks: ['speed-held'] },
  ],
  leads: null,
  step: {
    ...LOADED_STEP,
    minutes: 2,
    place: 'running',
    informs: informs(0.3, 'charge-control'),
    settles: 'Shows how hard the alternator is driven, and how much is in reserve.',
  },
  required: [{ by: ['charging'], as: 'output', choice: 2 }],
  phrases,
  findings: ({ gradedCase }): readonly Finding[] => {
    const reading = latest(gradedCase, 'field-duty');
    const volts = reading && besideUnderLoads(reading, 'charging-voltage', gradedCase);
    if (!reading || !volts) return [];
    const percent = reading.value;
    const source = { reading: reading.id };
    const own = causes('charge-control');
    if (volts.value < LOW_VOLTS * gradedCase.scale) {
      if (percent >= FULL_PERCENT) return [fixed('field-full', own, source, say('field-full', { percent }))];
      const weight = percent < HARDLY_PERCENT ? 'field-absent' : 'field-partial';
      return [fixed(weight, own, source, say('field-short', { percent }))];
    }
    if (loadsOf(reading) === 'off' && percent >= FULL_PERCENT)
      return [fixed('no-reserve', WEAK, source, say('no-reserve', { percent }))];
    return loadsOf(reading) === 'on' && percent < EASY_PERCENT
      ? [fixed('has-reserve', WEAK, source, say('in-reserve', { percent }))]
      : [];
  },
};

export const fieldDutyModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, starts, running, loads, random }) =>
    starts
      ? done(Math.round(vehicle.excited ? running(loads, 2000).fieldPercent : random.between(0, 5)), { loads })
      : cannot('did-not-start'),
};

export const fieldDutyGuide: TestGuide = {
  why: ['The command shows how much reserve is left without loading the vehicle to its limit.'],
  spoils: [
    'A meter that cannot read duty.',
    'Light loads at idle with a cold battery: the command is then high for a good reason.',
  ],
  means: ['Near full at a light load: no reserve is left. Low with low volts: the regulator does not ask.'],
};
