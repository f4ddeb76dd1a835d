import { alternatorGives } from '../alternator-gives';
import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';

export const dropChargeGround = dropTest({
  test: 'drop-charge-ground',
  name: 'Drop, alternator case to battery −',
  red: 'alternator-case',
  black: 'negative-post',
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
  required: [{ by: ['none', 'charging'] }],
  cautions: ['running'],
});

export const dropChargeGroundModel = /* @__PURE__ */ dropModel('drop-charge-ground', 190);
