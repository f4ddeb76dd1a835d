import { latest } from '../../evidence/case-context';
import { message } from '../../evidence/messages';
import { ofFigure } from '../../evidence/void/void-rule';
import { causes, fixed } from '../../evidence/finding';
import { done } from '../../evidence/simulated-bench';
import { emf } from '../../circuit/model/cranking-circuit';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { across } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** 0.1 V between module and post is normal; from this on (12 V) something between them loses it, V. */
const LOSES_VOLTS = 0.4;

const phrases = {
  'module-at-post': (w: { value: number; post: number }, voice: Voice) =>
    `${voice.volts(w.value)} at the module is ${voice.volts(w.post)} at the post.`,
  'module-loses': (w: { offset: number }, voice: Voice) =>
    `${voice.smallVolts(w.offset)} are lost between post and module`,
};
const say = sayer(phrases);

export const moduleVoltage: Test = {
  ...POST_VOLTS,
  name: 'Module voltage',
  conditions: ['offsetVolts'],
  places: [
    {
      group: 'Charging',
      at: 14,
      how: 'As a module tells it; compare once with the post.',
      asks: { offsetVolts: null },
      ticks: ['key-on'],
    },
  ],
  leads: across('module-plug', 'negative-post', 'none'),
  step: {
    minutes: 1,
    place: 'posts',
    informs: informs(0.1, 'ground-body'),
    settles: 'Compared with the post, shows the loss in the body wiring.',
    cautions: [],
  },
  required: [],
  voids: [
    ofFigure(({ conditions }) => (conditions?.offsetVolts === undefined ? message('module-not-compared', {}) : null)),
  ],
  noted: ({ value, conditions }) =>
    typeof value === 'number' && conditions?.offsetVolts !== undefined
      ? say('module-at-post', { value, post: value + conditions.offsetVolts })
      : null,
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'module-voltage');
    const offset = reading?.conditions?.offsetVolts;
    return reading && offset !== undefined && offset > LOSES_VOLTS * gradedCase.scale
      ? [fixed('module-low', causes('ground-body'), { reading: reading.id }, say('module-loses', { offset }))]
      : [];
  },
};

export const moduleVoltageModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, volts }) => {
    const offset = 0.1 * vehicle.scale;
    return done(volts(emf(vehicle) - offset), { offsetVolts: offset });
  },
};

export const moduleVoltageGuide: TestGuide = {
  why: ['What a scan tool shows is read at a module, not at the battery.'],
  spoils: ['Compared at different moments or with different loads.'],
  means: ['The difference to the post is added to later readings of the scan tool.'],
};
