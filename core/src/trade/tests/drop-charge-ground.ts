import { alternatorGives } from '../alternator-gives';
import { dropModel, dropTest } from '../drop-test';
import { isSideAsked } from '../charging-path';
import { informs } from '../../evidence/step';
import { DROP_SPOILED } from '../test-guide';
import type { TestGuide } from '../test-guide';

export const dropChargeGround = dropTest({
  test: 'drop-charge-ground',
  name: 'Drop, alternator case to battery −',
  leads: { red: 'alternator-case', black: 'negative-post' },
  place: {
    at: 10,
    how: 'From the alternator’s case to the − post, near full output.',
    ticks: ['speed-held', 'loads-on'],
  },
  step: {
    minutes: 2,
    place: 'alternator',
    informs: informs(0.8, 'charge-cable-ground'),
    settles: 'Measures the loss in the alternator’s ground.',
    when: alternatorGives,
  },
  // one reading over both sides that is good leaves nothing to find in either
  required: [{ by: ['none', 'charging'], when: isSideAsked }],
  cautions: ['running'],
});

export const dropChargeGroundModel = /* @__PURE__ */ dropModel('drop-charge-ground', 190);

export const dropChargeGroundGuide: TestGuide = {
  why: ['The regulator sees too little and drives harder where the alternator’s ground is bad.'],
  spoils: DROP_SPOILED,
  means: ['Lost volts: the joint of alternator and engine, the engine strap, or the negative post.'],
};
