/** What the measurements of the judge share: the spread, the seeds, and how an answer is held against the truth. */
import {
  CHECKING_SPREAD,
  FAULTS,
  TESTING_SPREAD,
  TESTS,
  TUNING_SPREAD,
  WORKSHOP_SPREAD,
  isTestName,
} from '@tetrad/core';
import type { Case, FaultName, Judgement, Part, Spread } from '@tetrad/core';

const SETTINGS = {
  tuning: { spread: TUNING_SPREAD, seed: 1_000_000 },
  testing: { spread: TESTING_SPREAD, seed: 5_000_000 },
  checking: { spread: CHECKING_SPREAD, seed: 9_000_000 },
  // never fitted to: what workshops do
  workshop: { spread: WORKSHOP_SPREAD, seed: 13_000_000 },
} as const satisfies Record<string, Setting>;

export interface Setting {
  readonly spread: Spread;
  /** First seed of its vehicles. */
  readonly seed: number;
}

/** The setting a word on the command line names; `testing` without one. */
export function settingOf(words: readonly string[]): Setting {
  const name = (Object.keys(SETTINGS) as (keyof typeof SETTINGS)[]).find((key) => words.includes(`--${key}`));
  return SETTINGS[name ?? 'testing'];
}

/** Severity of a clear fault: slighter ones nobody complains of. */
export const SLIGHTEST = 0.15;

/** Vehicles drawn for each fault. */
export const PER_FAULT = 120;

/** A seized accessory is the alternator's once a hand has named it. */
export const truePart = (fault: FaultName, { system, observations = [] }: Case): Part | null =>
  fault === 'accessory-seized' &&
  observations.some(({ about, finding }) => about === 'accessories-by-hand' && finding === 'alternator')
    ? 'alternator'
    : FAULTS[fault].part(system);

/** A battery that may be frozen is thawed before anything is done to it, whatever else is wrong with the vehicle. */
export const isThawedFirst = ({ decision }: Judgement): boolean =>
  decision.action === 'stop' && decision.code === 'may-be-frozen';

export const calledPart = ({ decision }: Judgement): Part | null =>
  decision.action === 'replace' || decision.action === 'repair' ? decision.part : null;

const REPLACEABLE: readonly (Part | null)[] = ['battery', 'starter', 'alternator'];

/** A sound part called for replacement. */
export const condemns = (said: Judgement, ...trueParts: readonly (Part | null)[]): boolean =>
  said.decision.action === 'replace' &&
  REPLACEABLE.includes(said.decision.part) &&
  !trueParts.includes(said.decision.part);

/** A valid reading straight across a fault, outside its limit, that is followed by “nothing found” or “keep”. */
export function isOutvoted(said: Judgement, subject: Case): boolean {
  return said.readings.some(({ grade }, index) => {
    const { test } = subject.readings[index]!;
    const { direct } = TESTS[test];
    if (grade !== 'outside' || !direct || isReadAgain(subject, index)) return false;
    const parts = new Set(direct.map((fault) => FAULTS[fault].part(subject.system)));
    const kept = [...parts].every(
      (part) => part !== null && part in said.parts && said.parts[part as keyof Judgement['parts']].verdict === 'keep',
    );
    return said.decision.action === 'none-found' || kept;
  });
}

/** A later reading of the same test and battery takes its place. */
const isReadAgain = ({ readings }: Case, index: number): boolean =>
  readings.slice(index + 1).some(({ test, battery, value }) => {
    const first = readings[index]!;
    return test === first.test && battery === first.battery && value !== null && isTestName(test);
  });

export const percent = (part: number, whole: number): string => `${((100 * part) / whole).toFixed(1)} %`;

/** Counts by name, most frequent first. */
export class Counts {
  readonly #counts = new Map<string, number>();
  add(name: string): void {
    this.#counts.set(name, (this.#counts.get(name) ?? 0) + 1);
  }
  get sorted(): readonly (readonly [string, number])[] {
    return [...this.#counts].sort((a, b) => b[1] - a[1]);
  }
}

/** One row of the table: what, the judge, the aim, the plain reference. */
export type Row = readonly [what: string, judge: string, aim: string, plain: string];
