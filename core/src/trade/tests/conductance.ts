import { ratedIn } from '../../battery/rating';
import { besideRating } from '../../evidence/ask-back';
import { testerAmps } from '../../circuit/model/cranking-circuit';
import { done } from '../../evidence/simulated-bench';
import { ampsBetween } from '../measures';
import { atPosts } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import { message } from '../../evidence/messages';
import type { TestGuide } from '../test-guide';

export const conductance: Test = {
  ...ampsBetween(0, 4000, 500),
  name: 'Conductance',
  conditions: ['percentOfRating'],
  places: [
    {
      group: 'Battery',
      at: 3,
      how: 'Tester on the posts, set to the standard of the label. Prints it a percentage only? Enter that with %.',
      asks: {},
      ticks: ['on-posts'],
      perBattery: true,
    },
  ],
  leads: atPosts('none'),
  step: {
    minutes: 1,
    place: 'posts',
    informs: informs(0.8, 'battery-worn', 'battery-dead-cell'),
    settles: 'Measures the battery’s health, even when it is partly charged.',
    cautions: [],
  },
  percentOf: ({ battery }) => ratedIn(battery),
  askBack: besideRating,
  required: [{ by: ['starting', 'standing'], as: 'health' }],
  keeps: [{ as: 'health', mustPass: true }],
  tellsOf: 'battery',
  noted: ({ test, value }, { case: { system }, labelDoubt }) =>
    labelDoubt ??
    (system.battery.rating || typeof value !== 'number' ? null : message('needs-rating', { test, value })),
};

export const conductanceModel: TestModel = {
  visitPlace: 20,
  reads: ({ vehicle, random, spread }) => done(testerAmps(vehicle, random.factor(spread.conductanceError))),
};

export const conductanceGuide: TestGuide = {
  why: ['A small signal measures the plate area that still works, also on a partly charged battery.'],
  spoils: [
    'The wrong standard or figure from the label: the share is then wrong by the same factor.',
    'Clamps on dirty posts or on steel bolts.',
    'Surface charge, or a battery colder or hotter than the tester believes.',
  ],
  means: [
    'It gives health as a share of the rating; it says nothing of the charge.',
    'It leans on the label, like the load test, resistance and crank. When these fail alike, look at the label again first.',
  ],
};
