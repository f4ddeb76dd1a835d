import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';
import { DROP_SPOILED } from '../test-guide';
import type { TestGuide } from '../test-guide';

export const dropStarterGround = dropTest({
  test: 'drop-starter-ground',
  name: 'Drop, starter case to battery −',
  leads: { red: 'starter-case', black: 'negative-post' },
  place: { at: 5, how: 'From the starter’s bare case to the − post.' },
  step: {
    minutes: 2,
    place: 'starter',
    informs: informs(0.8, 'cable-starter-ground', 'connection-negative-post', 'starter-worn'),
    settles: 'Shows whether the ground side of the starting circuit loses volts.',
  },
  required: [{ by: ['none', 'starting'] }],
  keeps: [{ as: 'ground-side' }],
});

export const dropStarterGroundModel = /* @__PURE__ */ dropModel('drop-starter-ground', 130);

export const dropStarterGroundGuide: TestGuide = {
  why: ['The way back is as long as the way there, and is forgotten more often.'],
  spoils: DROP_SPOILED,
  means: [
    'A bad whole with a good half puts the loss in the other half: read engine block and post next.',
    'The whole battery voltage with no current: an open ground.',
  ],
};
