/** What a step is expected to save, worked by hand: one step ahead, and two at one hook-up. */
import { describe, expect, it } from '@jest/globals';
import { BALANCED, survey } from '@tetrad/core';
import type { FaultName } from '@tetrad/core';
import { answers, lossAfterStep, lossAt } from '../src/judge/decide/expected-loss';
import type { Belief, Choosing } from '../src/judge/decide/expected-loss';
import { caseOf } from './cases';

const { costs } = BALANCED;
const NEEDLESS = costs.wrongPart.starter;
const choosing = {
  action: { fault: null, loss: costs.undecided },
  provenCase: { gradedCase: survey(caseOf([])).gradedCase },
} as unknown as Choosing;
const step = { minutes: 2, place: 'starter', informs: [['starter-worn', 0.36]], settles: '', cautions: [] } as const;
const isAsked = (fault: FaultName): boolean => fault === 'starter-worn';
/** A starter that is worn with this probability, and else nothing is wrong. */
const worn = (probability: number): Belief => ({
  of: (fault) => (fault === 'starter-worn' ? probability : 0),
  none: 1 - probability,
  asked: [],
});

describe('a starter that is as likely worn as sound', () => {
  // a strength of 0.36 is right in 80 of 100 cases
  it('after an answer it is worn in 80 or 20 of 100 cases, and called or let go', () => {
    expect(answers(0.5, 0.36)).toEqual({ isFor: 0.5, ifFor: 0.8, ifAgainst: expect.closeTo(0.2) });
    const called = 0.2 * NEEDLESS;
    const letGo = 0.2 * costs.comeback;
    const loss = lossAfterStep(step, worn(0.5), isAsked, choosing, (one) => lossAt(one, choosing));
    expect(loss).toBeCloseTo((called + letGo) / 2);
  });

  it('a second step of the same hook-up is taken after the first where that is cheaper, and costs its minutes', () => {
    const one = (belief: Belief): number => lossAt(belief, choosing);
    const two = (belief: Belief): number =>
      Math.min(one(belief), step.minutes + lossAfterStep(step, belief, isAsked, choosing, one));
    // for twice: 64 of 68 worn; for and against: as likely as before, and nobody decides dearer than leaving it
    const open = Math.min(0.5 * NEEDLESS, 0.5 * costs.comeback, costs.undecided);
    const again = 0.68 * ((4 / 68) * NEEDLESS) + 0.32 * open;
    const letGo = 0.68 * ((4 / 68) * costs.comeback) + 0.32 * open;
    const loss = lossAfterStep(step, worn(0.5), isAsked, choosing, two);
    expect(loss).toBeCloseTo(
      0.5 * Math.min(0.2 * NEEDLESS, step.minutes + again) + 0.5 * Math.min(0.2 * costs.comeback, step.minutes + letGo),
    );
    expect(loss).toBeLessThan(lossAfterStep(step, worn(0.5), isAsked, choosing, one));
  });

  it('a step that tells of nothing that is asked after saves nothing', () => {
    expect(
      lossAfterStep(
        step,
        worn(0.5),
        () => false,
        choosing,
        () => 0,
      ),
    ).toBe(Infinity);
  });
});
