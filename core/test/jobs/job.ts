/** A job as it goes in the workshop: one thing is read or seen after the other, and each time the judge is asked. */
import { judge } from '@tetrad/core';
import type { Case, Judgement, Observation, Reading } from '@tetrad/core';
import { caseOf } from '../cases';

/** What the judge must say once this was read. */
export interface Expected {
  readonly action?: Judgement['decision']['action'];
  readonly part?: Judgement['decision']['part'];
  readonly fault?: Judgement['decision']['fault'];
  /** These are among the steps it asks for now. */
  readonly asks?: readonly string[];
  /** And these are not. */
  readonly asksNot?: readonly string[];
  readonly grade?: string;
  readonly parts?: Readonly<Partial<Record<keyof Judgement['parts'], string>>>;
  readonly says?: RegExp;
}

export type Step = readonly [what: string, done: Reading | Observation, expected: Expected];

export interface Job {
  readonly symptoms: readonly string[];
  readonly system?: Case['system'];
  readonly celsius?: number;
  readonly steps: readonly Step[];
}

const isReading = (done: Reading | Observation): done is Reading => 'test' in done;

/** Judges a job after every step. @returns one judgement for each step. */
export function goThrough({ symptoms, system, celsius, steps }: Job): readonly Judgement[] {
  const readings: Reading[] = [];
  const observations: Observation[] = [];
  return steps.map(([, done]) => {
    if (isReading(done)) readings.push(done);
    else observations.push(done);
    return judge(
      caseOf(readings, {
        symptoms,
        observations,
        ...(system && { system }),
        ...(celsius !== undefined && { celsius }),
      }),
    );
  });
}

const CONDEMNED = ['battery', 'starter', 'alternator'];

/** Tests one job: every step as expected, and no part thrown away before the last. */
export function itGoes(name: string, job: Job): void {
  it(name, () => {
    const said = goThrough(job);
    const found = job.steps.map(([what, , { asks, asksNot, grade, parts, says, ...decision }], i) => {
      const { decision: own, next, readings, parts: verdicts } = said[i]!;
      const asked = next.map(({ test }) => test as string);
      return {
        what,
        ...Object.fromEntries(Object.keys(decision).map((key) => [key, own[key as 'action']])),
        ...(asks && { asks: asks.filter((step) => asked.includes(step)) }),
        ...(asksNot && { asksNot: asksNot.filter((step) => !asked.includes(step)) }),
        ...(grade && { grade: readings.at(-1)!.grade }),
        ...(parts && {
          parts: Object.fromEntries(
            Object.keys(parts).map((part) => [part, verdicts[part as keyof typeof verdicts].verdict]),
          ),
        }),
        ...(says && { says: says.test(own.because) ? says : own.because }),
      };
    });
    expect(found).toEqual(job.steps.map(([what, , expected]) => ({ what, ...expected })));
    const early = said
      .slice(0, -1)
      .filter(({ decision: { action, part } }) => action === 'replace' && CONDEMNED.includes(part ?? ''));
    expect(early.map(({ decision }) => decision.because)).toEqual([]);
  });
}
