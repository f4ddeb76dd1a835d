import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';

export const dropStarterGround = dropTest({
  test: 'drop-starter-ground',
  name: 'Drop, starter case to battery −',
  red: 'starter-case',
  black: 'negative-post',
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
