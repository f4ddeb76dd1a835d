import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';

export const dropStarterPositive = dropTest({
  test: 'drop-starter-positive',
  name: 'Drop, battery + to starter motor',
  red: 'positive-post',
  black: 'solenoid-motor',
  place: { at: 3, how: 'From the + post to the motor terminal: cables, solenoid and all.' },
  step: {
    minutes: 2.5,
    place: 'starter',
    informs: informs(0.7, 'cable-starter-positive', 'connection-positive-post', 'solenoid-contacts', 'starter-worn'),
    settles: 'Shows whether the positive side of the starting circuit loses volts.',
  },
  required: [{ by: ['none', 'starting'] }],
  keeps: [{ as: 'positive-side' }],
});

export const dropStarterPositiveModel = /* @__PURE__ */ dropModel('drop-starter-positive', 110);
