import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';
import { DROP_SPOILED } from '../test-guide';
import type { TestGuide } from '../test-guide';

export const dropBodyGround = dropTest({
  test: 'drop-body-ground',
  name: 'Drop, body to battery −',
  leads: { red: 'body', black: 'negative-post' },
  place: { at: 7, how: 'From bare metal of the body to the − post.' },
  step: {
    minutes: 1.5,
    place: 'engine',
    informs: informs(0.85, 'ground-body'),
    settles: 'Measures the loss in the body ground strap.',
  },
  required: [{ bySymptoms: ['resets-on-crank', 'dim-at-idle', 'lamps-dim-on-crank'] }],
});

export const dropBodyGroundModel = /* @__PURE__ */ dropModel('drop-body-ground', 150);

export const dropBodyGroundGuide: TestGuide = {
  why: ['Lamps, modules and sensors return through the body.'],
  spoils: DROP_SPOILED,
  means: [
    'Lost volts: body strap, its joint, or the negative post.',
    'A good body says nothing of the starter’s ground: that is the engine’s own path.',
  ],
};
