import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';

export const dropEngineGround = dropTest({
  test: 'drop-engine-ground',
  name: 'Drop, engine block to battery −',
  red: 'engine-block',
  black: 'negative-post',
  place: { at: 6, how: 'From bare metal of the block to the − post.' },
  step: {
    minutes: 1.5,
    place: 'engine',
    informs: informs(0.3, 'cable-starter-ground', 'charge-cable-ground'),
    settles: 'Tells the engine ground strap from the starter’s mounting.',
  },
  required: [],
  keeps: [{ as: 'ground-side', choice: 2 }],
});

export const dropEngineGroundModel = /* @__PURE__ */ dropModel('drop-engine-ground', 140);
