import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';
import { DROP_SPOILED } from '../test-guide';
import type { TestGuide } from '../test-guide';

export const dropStarterPositive = dropTest({
  test: 'drop-starter-positive',
  name: 'Drop, battery + to starter motor',
  leads: { red: 'positive-post', black: 'solenoid-motor' },
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

export const dropStarterPositiveGuide: TestGuide = {
  why: ['Volts lost on the way are missing at the starter.'],
  spoils: DROP_SPOILED,
  means: [
    'A bad whole with a good half puts the loss in the other half: read post, then solenoid.',
    'The whole battery voltage with no current: open cable or open contacts.',
  ],
};
