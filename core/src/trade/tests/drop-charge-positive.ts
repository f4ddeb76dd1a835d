import { alternatorGives } from '../alternator-gives';
import { dropModel, dropTest } from '../drop-test';
import { isSideAsked } from '../charging-path';
import { informs } from '../../evidence/step';
import { DROP_SPOILED } from '../test-guide';
import type { TestGuide } from '../test-guide';

export const dropChargePositive = dropTest({
  test: 'drop-charge-positive',
  name: 'Drop, alternator B+ to battery +',
  leads: { red: 'alternator-stud', black: 'positive-post' },
  place: {
    at: 9,
    how: 'From the output stud to the + post, near full output.',
    ticks: ['speed-held', 'loads-on', 'insulated-probe'],
  },
  step: {
    minutes: 2.5,
    place: 'alternator',
    informs: informs(0.8, 'charge-cable-positive'),
    settles: 'Measures the loss in the charging cable.',
    when: alternatorGives,
  },
  // one reading over both sides that is good leaves nothing to find in either
  required: [{ by: ['none', 'charging'], when: isSideAsked }],
  cautions: ['running', 'stud'],
});

export const dropChargePositiveModel = /* @__PURE__ */ dropModel('drop-charge-positive', 180);

export const dropChargePositiveGuide: TestGuide = {
  why: ['What the alternator gives must arrive at the battery.'],
  spoils: DROP_SPOILED,
  means: ['Lost volts: output cable, link or their joints. The alternator itself may be good.'],
};
