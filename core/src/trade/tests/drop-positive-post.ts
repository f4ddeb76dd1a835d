import { dropModel, dropTest } from '../drop-test';
import { informs } from '../../evidence/step';
import { DROP_SPOILED } from '../test-guide';
import type { TestGuide } from '../test-guide';

export const dropPositivePost = dropTest({
  test: 'drop-positive-post',
  name: 'Drop, positive post to clamp',
  leads: { red: 'positive-post', black: 'positive-clamp' },
  place: { at: 1, how: 'From the post into the clamp. The steady value, not a peak.' },
  step: {
    minutes: 1,
    place: 'posts-cranking',
    informs: informs(0.85, 'connection-positive-post', 'cable-starter-positive'),
    settles: 'A loss at a post looks like a bad battery or a bad starter.',
  },
  required: [],
  keeps: [{ as: 'positive-side', choice: 2 }],
});

export const dropPositivePostModel = /* @__PURE__ */ dropModel('drop-positive-post', 90);

export const dropPositivePostGuide: TestGuide = {
  why: ['A clamp can look tight and be open inside.'],
  spoils: DROP_SPOILED,
  means: ['Lost volts between post and clamp: clean both bright, refit, protect, and read again.'],
};
