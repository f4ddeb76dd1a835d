import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';
import { DROP_SPOILED } from '../test-guide';
import type { TestGuide } from '../test-guide';

export const dropEngineGround = dropTest({
  test: 'drop-engine-ground',
  name: 'Drop, engine block to battery −',
  leads: { red: 'engine-block', black: 'negative-post' },
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

export const dropEngineGroundGuide: TestGuide = {
  why: ['It is the half of the starter’s ground path from block to battery.'],
  spoils: DROP_SPOILED,
  means: ['Bad with a bad whole: strap, cable or post.', 'Good with a bad whole: the joint of starter and block.'],
};
