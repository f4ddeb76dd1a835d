import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';

export const dropBodyGround = dropTest({
  test: 'drop-body-ground',
  name: 'Drop, body to battery −',
  red: 'body',
  black: 'negative-post',
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
