/** What else may make a starter, or what drives it, look bad. */
import { threshold } from '../../criteria/evidence';
import { observed } from '../../judge/situation';
import { isFlowless } from '../../judge/weigh/flow';
import { has, seen, goodPath, wasTried } from './excuse';
import type { ExcuseRow } from './excuse';

/** Draw under this share of the usual one: nothing holds the engine. */
const EASY_DRAW = 0.85;

export const STARTING_EXCUSES = {
  'draw-not-known': {
    says: 'nobody has read what it draws',
    steps: ['starter-draw'],
    excluded: ({ situation }) => has(situation, 'starter-draw'),
  },
  'positive-side': {
    says: 'the positive side may be losing the volts',
    steps: ['drop-starter-positive'],
    excluded: ({ situation, probability }) =>
      has(situation, 'drop-starter-positive') &&
      probability['cable-starter-positive'] < threshold('unlikely') &&
      probability['connection-positive-post'] < threshold('unlikely'),
  },
  'ground-side': {
    says: 'the ground side may be losing the volts',
    steps: ['drop-starter-ground'],
    excluded: (evidence) =>
      goodPath('drop-starter-ground', 'cable-starter-ground')(evidence) ||
      (isFlowless(evidence.situation) && has(evidence.situation, 'drop-starter-ground')),
  },
  'positive-side-not-tried': {
    says: 'the positive side has not been looked at',
    steps: ['drop-starter-positive'],
    excluded: ({ situation }) => wasTried(situation, 'drop-starter-positive'),
  },
  'ground-side-not-tried': {
    says: 'the ground side has not been looked at',
    steps: ['drop-starter-ground'],
    excluded: ({ situation }) => wasTried(situation, 'drop-starter-ground'),
  },
  'not-told-to-crank': {
    says: 'the solenoid may not be told to work',
    steps: ['starter-control-voltage'],
    excluded: ({ situation, probability }) =>
      has(situation, 'starter-control-voltage') && probability['starter-control'] < threshold('unlikely'),
  },
  'something-holds-it': {
    says: 'the engine or an accessory may be holding it',
    steps: ['crank-by-hand', 'belt-removed-crank'],
    excluded: ({ situation, figures: { drawRatio } }) => {
      const byHand = observed(situation, 'crank-by-hand');
      return byHand === 'turns' || (byHand === undefined && drawRatio !== null && drawRatio < EASY_DRAW);
    },
  },
  'accessory-holds-it': {
    says: 'a belt-driven accessory may be seized',
    steps: ['belt-removed-crank'],
    excluded: seen('belt-removed-crank', 'unchanged'),
  },
  'not-turned-by-hand': {
    says: 'nobody has turned the engine by hand',
    steps: ['crank-by-hand'],
    excluded: ({ situation }) => observed(situation, 'crank-by-hand') !== undefined,
  },
  'belt-not-off': {
    says: 'the belt has not been taken off',
    steps: ['belt-removed-crank'],
    excluded: ({ situation }) => observed(situation, 'belt-removed-crank') !== undefined,
  },
} as const satisfies Record<string, ExcuseRow>;
