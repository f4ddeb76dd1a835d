import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';
import { DROP_SPOILED } from '../test-guide';
import type { TestGuide } from '../test-guide';

export const dropNegativePost = dropTest({
  test: 'drop-negative-post',
  name: 'Drop, negative post to clamp',
  leads: { red: 'negative-clamp', black: 'negative-post' },
  place: { at: 2, how: 'From the clamp into the post.' },
  step: {
    minutes: 1,
    place: 'posts-cranking',
    informs: informs(0.85, 'connection-negative-post', 'cable-starter-ground'),
    settles: 'A loss at a post looks like a bad battery or a bad starter.',
  },
  required: [],
  keeps: [{ as: 'ground-side', choice: 3 }],
});

export const dropNegativePostModel = /* @__PURE__ */ dropModel('drop-negative-post', 100);

export const dropNegativePostGuide: TestGuide = {
  why: ['A clamp can look tight and be open inside.'],
  spoils: DROP_SPOILED,
  means: ['Lost volts between post and clamp: clean both bright, refit, protect, and read again.'],
};
