/** Told to crank, and no current flows: what is not open, and what is left when neither path is. */
import { PIECES, pathOf } from '../../circuit/paths';
import type { PathTest } from '../../circuit/paths';
import { causes, fixed } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import { latest } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { isFlowless } from '../../evidence/flow';
import { hasControlVolts } from '../../evidence/told-to-crank';
import { message } from '../messages';

/** The whole way to the motor and back. */
const BOTH_WAYS: readonly PathTest[] = ['drop-starter-positive', 'drop-starter-ground'];

/**
 * An open joint carries the whole battery voltage across itself: where next to nothing lies across a path, nothing in it
 * is open. Neither path open, and told to crank: the starter itself is.
 */
export function nothingFlowsFindings(gradedCase: GradedCase): readonly Finding[] {
  const { closed } = gradedCase.voided;
  const draw = latest(gradedCase, 'starter-draw');
  if (!draw || closed.size === 0 || !isFlowless(gradedCase) || !hasControlVolts(gradedCase)) return [];
  const source = { reading: draw.id };
  const tests = [...closed] as PathTest[];
  const excluded = new Set(tests.flatMap((test) => pathOf(test).pieces.map((piece) => PIECES[piece].fault)));
  return [
    ...[...excluded].map((fault) =>
      fixed('not-open', causes(fault), source, message('path-not-open', { tests, fault })),
    ),
    ...(BOTH_WAYS.every((test) => closed.has(test))
      ? [fixed('starter-open', causes('starter-worn'), source, message('starter-open', {}))]
      : []),
  ];
}
