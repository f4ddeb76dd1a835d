/** What else may make a starter, or what drives it, look bad. */
import { threshold } from '../../criteria/weights';
import { latest, observed } from '../../evidence/case-context';
import { isFlowless } from '../../evidence/flow';
import { hasControlVolts } from '../../evidence/told-to-crank';
import type { GradedCase } from '../../evidence/case-context';
import type { PathTest } from '../../circuit/paths';
import { has, passes, seen, goodPath, wasTried } from './excuse';
import type { ExcuseRow } from './excuse';

/** Draw under this share of the usual one: nothing holds the engine. */
const EASY_DRAW = 0.85;
/** A starter that runs so on the bench is bad, whatever the engine asks. */
const RAN_BADLY: readonly string[] = ['weak', 'dead'];

/** Told to crank with nothing flowing, and the path is not where it is open: nothing lies across it, or the volts arrive. */
const isNotOpen = (gradedCase: GradedCase, test: PathTest): boolean =>
  isFlowless(gradedCase) &&
  hasControlVolts(gradedCase) &&
  (gradedCase.voided.closed.has(test) || has(gradedCase, test) || passes(gradedCase, 'starter-motor-voltage'));

export const STARTING_EXCUSES = {
  'draw-not-known': {
    first: 'measure the starter draw',
    steps: ['starter-draw'],
    excluded: ({ gradedCase }) => has(gradedCase, 'starter-draw'),
  },
  'positive-side': {
    cause: 'a loss on the positive side',
    first: 'rule out a loss on the positive side',
    steps: ['drop-starter-positive'],
    excluded: ({ gradedCase, probability }) =>
      (has(gradedCase, 'drop-starter-positive') || isNotOpen(gradedCase, 'drop-starter-positive')) &&
      probability['cable-starter-positive'] < threshold('suspected') &&
      probability['connection-positive-post'] < threshold('suspected'),
  },
  'ground-side': {
    cause: 'a loss on the ground side',
    first: 'rule out a loss on the ground side',
    steps: ['drop-starter-ground'],
    excluded: (evidence) =>
      goodPath('drop-starter-ground', 'cable-starter-ground')(evidence) ||
      isNotOpen(evidence.gradedCase, 'drop-starter-ground'),
  },
  'positive-side-not-tried': {
    cause: 'a loss on the positive side',
    first: 'measure the drop on the positive side',
    steps: ['drop-starter-positive'],
    excluded: ({ gradedCase }) => wasTried(gradedCase, 'drop-starter-positive'),
  },
  'not-told-to-crank': {
    cause: 'a missing control voltage',
    first: 'check the solenoid’s control voltage',
    steps: ['starter-control-voltage'],
    excluded: ({ gradedCase, probability }) =>
      // with so much current flowing the solenoid is told and closed
      (latest(gradedCase, 'starter-draw')?.value ?? 0) >= gradedCase.draw.max ||
      (has(gradedCase, 'starter-control-voltage') && probability['starter-control'] < threshold('suspected')),
  },
  'something-holds-it': {
    cause: 'a locked engine',
    first: 'rule out a tight engine or a seized accessory',
    steps: ['crank-by-hand', 'belt-removed-crank'],
    excluded: ({ gradedCase, figures: { drawRatio } }) => {
      const byHand = observed(gradedCase, 'crank-by-hand');
      // what is held asks for amps
      return (
        isFlowless(gradedCase) ||
        byHand === 'turns' ||
        (byHand === undefined && drawRatio !== null && drawRatio < EASY_DRAW)
      );
    },
  },
  'accessory-holds-it': {
    cause: 'a seized accessory',
    first: 'rule out a seized belt-driven accessory',
    steps: ['belt-removed-crank'],
    excluded: seen('belt-removed-crank', 'unchanged'),
  },
  'slightly-tight-engine': {
    cause: 'a tight engine',
    first: 'rule out a tight engine: crank with the plugs out',
    steps: ['plugs-removed-crank', 'starter-bench-run'],
    // a hand excludes a lock and no drag; amps alone tell nothing of what asks for them
    excluded: ({ gradedCase }) =>
      (observed(gradedCase, 'plugs-removed-crank') === 'unchanged' &&
        observed(gradedCase, 'belt-removed-crank') === 'unchanged') ||
      RAN_BADLY.includes(observed(gradedCase, 'starter-bench-run') ?? ''),
  },
  'starter-not-loosened': {
    cause: 'a drive jammed in the ring gear, or an engine locked by itself',
    first: 'loosen the starter and turn the engine again',
    steps: ['starter-loosened'],
    excluded: ({ gradedCase }) =>
      observed(gradedCase, 'starter-loosened') !== undefined || observed(gradedCase, 'crank-by-hand') !== 'locked',
  },
  'not-turned-by-hand': {
    first: 'turn the engine by hand',
    steps: ['crank-by-hand'],
    excluded: ({ gradedCase }) => observed(gradedCase, 'crank-by-hand') !== undefined,
  },
  'belt-not-off': {
    first: 'crank once with the belt off',
    steps: ['belt-removed-crank'],
    excluded: ({ gradedCase }) => observed(gradedCase, 'belt-removed-crank') !== undefined,
  },
} as const satisfies Record<string, ExcuseRow>;
