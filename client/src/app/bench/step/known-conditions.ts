import { packCca } from '@tetrad/core';
import type { Case, ConditionName, WaitKind } from '@tetrad/core';
import type { ReadingStep } from '../route/bench-steps';

/** What a wait that has run out makes true of the reading it leads to. */
const BY_WAIT: Readonly<Partial<Record<WaitKind, Readonly<Partial<Record<ConditionName, number | boolean>>>>>> = {
  settle: { surfaceChargeRemoved: true },
  sleep: { minutesAsleep: 30 },
  run: { minutesAfterStart: 3 },
};

/** Conditions that are known before anything is typed: from waits that are over, and from readings of amps. */
export function knownConditions(
  step: ReadingStep,
  subject: Case,
  waitedFor: ReadonlySet<WaitKind>,
): Readonly<Record<string, number | boolean>> {
  const held = (step.waits ?? []).filter((kind) => waitedFor.has(kind)).map((kind) => BY_WAIT[kind] ?? {});
  const amps = 'amps' in step.asks ? knownAmps(step, subject) : null;
  return { ...Object.assign({}, ...held), ...(amps !== null && { amps }) } as Record<string, number | boolean>;
}

/** The amps to load with, or that were read last: a drop is read at the current of the starter or the alternator. */
function knownAmps({ test }: ReadingStep, subject: Case): number | null {
  if (test === 'load-test') {
    const cca = packCca(subject.system.battery);
    return cca === null ? null : Math.round(cca / 2);
  }
  const source = test.startsWith('drop-charge') ? 'alternator-current' : 'starter-draw';
  const value = subject.readings
    .filter((reading) => reading.test === source && reading.void === undefined)
    .at(-1)?.value;
  return typeof value === 'number' && value > 0 ? value : null;
}
