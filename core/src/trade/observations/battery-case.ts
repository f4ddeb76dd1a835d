import { informs } from '../../evidence/step';
import type { ObservationKind, ObservationModel } from '../observation';
import { sayer } from '../../format/message';

const phrases = {
  'case-frozen': () =>
    'The battery is frozen: never test, charge or jump it. Thaw it in the warm, then look for cracks.',
  'case-cracked': () =>
    'The battery case is cracked: never test, charge or jump it. Take it out with gloves and goggles on.',
  'case-swollen': () =>
    'The battery case is swollen: never test, charge or jump it. Take it out with gloves and goggles on.',
};
const say = sayer(phrases);

export const batteryCase: ObservationKind = {
  name: 'Battery case',
  asks: 'Look at the battery case',
  findings: ['sound', 'cracked', 'swollen', 'frozen', 'loose'],
  place: {
    group: 'Ask and look',
    at: 1,
    how: 'Swollen, cracked or frozen: stop here. Shake it: is it held down?',
  },
  step: {
    minutes: 0.5,
    place: 'look',
    informs: informs(0.1, 'battery-dead-cell'),
    settles: 'A frozen, cracked or swollen battery ends the test.',
    cautions: [],
  },
  required: [],
  isLooking: true,
  speaks: { loose: [{ of: ['connection-positive-post', 'connection-negative-post'], weight: 'case-loose' }] },
  stops: {
    frozen: { says: say('case-frozen', {}), replace: false },
    cracked: { says: say('case-cracked', {}), replace: true },
    swollen: { says: say('case-swollen', {}), replace: true },
  },
  phrases,
};

export const batteryCaseModel: ObservationModel = {
  inFullVisit: false,
  shows: () => 'sound',
  isUnmistakable: true,
};
