/** Minutes to a decision do not grow as work is done. */
import { FAULT_NAMES, SimulatedVisit, judge, withSteadyMinutes } from '@tetrad/core';
import type { Judgement } from '@tetrad/core';

/** The judgements of a visit that does what is asked for, until a decision. */
function judgementsOf(visit: SimulatedVisit): Judgement[] {
  visit.do('resting-voltage');
  const said = [judge(visit.case)];
  while (said.length < 20 && said.at(-1)!.decision.action === 'test-next' && said.at(-1)!.next[0]) {
    const { test, conditions } = said.at(-1)!.next[0]!;
    visit.do(test, conditions);
    said.push(withSteadyMinutes(said.at(-1)!, judge(visit.case)));
  }
  return said;
}
const minutesOf = ({ decision }: Judgement): number => decision.minutes ?? 0;

test('minutes told grow only where another cause leads, or the next step alone takes longer', () => {
  let steps = 0;
  for (const fault of FAULT_NAMES)
    for (let seed = 1; seed <= 4; seed++) {
      const said = judgementsOf(new SimulatedVisit({ faults: [fault], severity: 0.7, seed }));
      said.slice(1).forEach((now, at) => {
        const before = minutesOf(said[at]!);
        if (before === 0) return;
        if (now.decision.fault !== said[at]!.decision.fault) return;
        const nextStep = now.next[0]?.minutes ?? 0;
        expect(minutesOf(now)).toBeLessThanOrEqual(Math.max(before, nextStep));
        steps += 1;
      });
    }
  expect(steps).toBeGreaterThan(150);
});

describe('the count begins anew', () => {
  const open = judge(
    (() => {
      const visit = new SimulatedVisit({ faults: ['starter-worn'], severity: 0.7, seed: 3 });
      visit.do('resting-voltage');
      return visit.case;
    })(),
  );
  const withMinutes = (minutes: number, said = open): Judgement => ({
    ...said,
    decision: { ...said.decision, minutes },
  });

  test('after a decision, and where nothing was judged before', () => {
    expect(minutesOf(withSteadyMinutes(withMinutes(0), withMinutes(12)))).toBe(12);
    expect(minutesOf(withSteadyMinutes(null, withMinutes(12)))).toBe(12);
  });
  test('where a reading that counted has become void', () => {
    const voided = { ...open, readings: open.readings.map((reading) => ({ ...reading, grade: 'void' as const })) };
    expect(minutesOf(withSteadyMinutes(withMinutes(4), withMinutes(12, voided)))).toBe(12);
    expect(minutesOf(withSteadyMinutes(withMinutes(4), withMinutes(12)))).toBe(4);
  });
});
