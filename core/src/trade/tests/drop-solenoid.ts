import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';
import { DROP_SPOILED } from '../test-guide';
import type { TestGuide } from '../test-guide';

export const dropSolenoid = dropTest({
  test: 'drop-solenoid',
  name: 'Drop across the solenoid contacts',
  leads: { red: 'solenoid-battery', black: 'solenoid-motor' },
  place: { at: 4, how: 'Across the two big terminals of the solenoid.' },
  step: {
    minutes: 2,
    place: 'starter',
    informs: informs(0.85, 'solenoid-contacts', 'cable-starter-positive'),
    settles: 'Tells burnt solenoid contacts from a bad cable.',
  },
  required: [],
});

export const dropSolenoidModel = /* @__PURE__ */ dropModel('drop-solenoid', 120);

export const dropSolenoidGuide: TestGuide = {
  why: ['The contacts of the solenoid carry all the starter’s current and burn with use.'],
  spoils: DROP_SPOILED,
  means: [
    'Lost volts across the two big terminals: worn contacts. With no current and the whole battery voltage: open contacts.',
  ],
};
