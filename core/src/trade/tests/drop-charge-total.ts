import { alternatorGives } from '../alternator-gives';
import { isWholePathAsked } from '../charging-path';
import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';
import { DROP_SPOILED } from '../test-guide';
import type { TestGuide } from '../test-guide';

export const dropChargeTotal = dropTest({
  test: 'drop-charge-total',
  name: 'Charging path, both sides',
  leads: null,
  place: {
    at: 8.5,
    how: 'Volts from output stud to case at the alternator, less the volts at the battery’s posts, the same load.',
    ticks: ['speed-held', 'loads-on', 'insulated-probe'],
  },
  step: {
    minutes: 3,
    place: 'alternator',
    informs: informs(0.5, 'charge-cable-positive', 'charge-cable-ground'),
    settles: 'Measures the whole loss of the charging path in one reading.',
    when: (gradedCase) => alternatorGives(gradedCase) && isWholePathAsked(gradedCase),
  },
  required: [{ by: ['none', 'charging'], when: isWholePathAsked }],
  cautions: ['running', 'stud'],
});

export const dropChargeTotalModel = /* @__PURE__ */ dropModel('drop-charge-total', null);

export const dropChargeTotalGuide: TestGuide = {
  why: ['One reading clears the charging cable and the alternator’s ground together.'],
  spoils: DROP_SPOILED,
  means: ['Small: both sides are good. Large: measure each side by itself.'],
};
