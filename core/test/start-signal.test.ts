/** A start signal that does not arrive is followed from the relay’s output back to the key, until one piece is named. */
import { OBSERVATIONS, SIGNAL_PIECES, judge } from '@tetrad/core';
import type { Judgement, ObservationName, Observation, SignalPiece } from '@tetrad/core';
import { caseOf, read, rest, saw } from './cases';

const PIECES = Object.keys(SIGNAL_PIECES) as SignalPiece[];
const told = (...seen: Observation[]): Judgement =>
  judge(
    caseOf([rest(12.6), read('starter-control-voltage', 0.3)], { symptoms: ['no-crank-silent'], observations: seen }),
  );

/** What a check finds in a vehicle in which this piece alone is open. */
const findingAt = (check: ObservationName, open: SignalPiece): string =>
  Object.entries(OBSERVATIONS[check].leaves!).find(([, pieces]) => pieces.includes(open))![0];

/** The checks that are asked for one after the other, and what is decided at the end. */
function followed(open: SignalPiece): { checks: Observation[]; end: Judgement } {
  const checks: Observation[] = [];
  for (;;) {
    const end = told(...checks);
    const [step] = end.next;
    if (!step) return { checks, end };
    expect(step.optional).toBe(true);
    const check = step.test as ObservationName;
    checks.push(saw(check, findingAt(check, open)));
  }
}

it.each(PIECES)('names the %s after at most four checks', (open) => {
  const { checks, end } = followed(open);
  expect(checks.length).toBeLessThanOrEqual(4);
  expect(end.decision).toMatchObject({ action: 'repair', part: 'control', fault: 'starter-control' });
  expect(end.decision.with).toMatchObject({ open: [open] });
  expect(end.decision.because).toContain(SIGNAL_PIECES[open]);
});

it('every finding of a check leaves a piece, and every piece gives one finding of each check', () => {
  const checks = Object.values(OBSERVATIONS).flatMap(({ leaves }) => (leaves ? [leaves] : []));
  expect(checks).toHaveLength(4);
  for (const leaves of checks) expect(Object.values(leaves).flat().toSorted()).toEqual(PIECES.toSorted());
});

it('checks that contradict each other name no piece', () => {
  const { decision } = told(saw('start-relay-output', 'volts'), saw('start-relay-feed', 'none'));
  expect(decision).toMatchObject({ action: 'repair', part: 'control' });
  expect(decision.because).not.toMatch(/Open/);
});

it('nobody asks for them where the solenoid is told to close', () => {
  const { next } = judge(
    caseOf([rest(12.6), read('starter-control-voltage', 12.2)], { symptoms: ['no-crank-silent'] }),
  );
  expect(
    next.map(({ test }) => test).filter((test) => test in OBSERVATIONS && OBSERVATIONS[test as ObservationName].leaves),
  ).toEqual([]);
});
