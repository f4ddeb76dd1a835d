/** The verdict of one part: keep, replace, repair, charge first, not tested, or not proven with what is missing. */
import { threshold } from '../../criteria/evidence';
import type { Reading } from '../../format/case-shape';
import type { StepName } from '../../format/names';
import type { JudgedPart, Part, Verdict } from '../../format/words';
import { isPathTest } from '../../trade/paths';
import { FAULTS } from '../../trade/tables';
import { NEEDED_TO_KEEP } from '../../trade/must-be-read';
import type { NeededToKeep } from '../../trade/must-be-read';
import type { Said } from '../../words/phrases';
import type { Evidence } from '../prove/evidence';
import { proofOf } from '../prove/prove';
import type { Ranked } from '../rank/rank-faults';
import { isCharged, readingsOf } from '../situation';
import type { Situation } from '../situation';
import { strongest } from './decide';
import type { Failure } from './failures';
import { isCallable, partOf } from './part-of';

export interface Verdicted {
  readonly verdict: Verdict;
  readonly because: Said;
  readonly missing: readonly StepName[];
  readonly where?: readonly StepName[];
}

/** The faults that may be called, most probable first, by the part they belong to in this vehicle. */
export function suspectsByPart(
  ranked: readonly Ranked[],
  situation: Situation,
): ReadonlyMap<Part | null, readonly Ranked[]> {
  const byPart = new Map<Part | null, Ranked[]>();
  for (const entry of ranked) {
    if (!isCallable(entry.fault)) continue;
    const part = partOf(entry.fault, situation);
    const own = byPart.get(part);
    if (own) own.push(entry);
    else byPart.set(part, [entry]);
  }
  return byPart;
}

interface VerdictInput {
  readonly evidence: Evidence;
  /** The faults of this part, most probable first. */
  readonly suspects: readonly Ranked[];
  readonly failing: readonly Failure[];
}

export function partVerdict(part: JudgedPart, { evidence, suspects, failing }: VerdictInput): Verdicted {
  const { situation } = evidence;
  const [worst] = suspects;
  const proven = suspects.find(
    ({ fault, probability }) => probability >= situation.criteria.callProbability && proofOf(fault, evidence).proven,
  );
  if (proven) return call(part, proven, failing);
  if (part === 'battery' && situation.charge !== null && !isCharged(situation))
    return { verdict: 'charge-first', because: { code: 'charge-first-part', with: {} }, missing: ['charge'] };
  const { read, unread } = readFor(part, situation);
  if (worst && worst.probability >= threshold('kept')) {
    const missing = [...new Set([...proofOf(worst.fault, evidence).missing, ...unread])];
    return { verdict: 'not-proven', because: { code: 'suspected', with: { fault: worst.fault, missing } }, missing };
  }
  const across = failing.find(({ faults }) => faults.some((fault) => partOf(fault, situation) === part));
  if (across)
    return {
      verdict: 'not-proven',
      because: { code: 'outside-across', with: { reading: across.reading, part } },
      missing: [across.reading.test],
    };
  if (unread.length === NEEDED_TO_KEEP[part].length)
    return { verdict: 'not-tested', because: { code: 'not-tested', with: { missing: unread } }, missing: unread };
  if (unread.length > 0)
    return { verdict: 'not-proven', because: { code: 'not-read-yet', with: { missing: unread } }, missing: unread };
  return {
    verdict: 'keep',
    because: { code: 'keep', with: { part, readings: read } },
    missing: [],
  };
}

/** Of what a part needs to be kept: the readings that are there, and the first test of each list that is not. */
function readFor(
  part: JudgedPart,
  situation: Situation,
): { readonly read: readonly Reading[]; readonly unread: readonly StepName[] } {
  const read: Reading[] = [];
  const unread: StepName[] = [];
  for (const needed of NEEDED_TO_KEEP[part]) {
    const reading = firstThatKeeps(needed, situation);
    if (reading) read.push(reading);
    else unread.push(needed.anyOf[0]!);
  }
  return { read, unread };
}

function firstThatKeeps({ anyOf, passed }: NeededToKeep, situation: Situation): Reading | undefined {
  for (const test of anyOf) {
    const reading = readingsOf(situation, test).findLast(({ value }) => value !== null);
    if (reading && (!passed || passed(reading, situation))) return reading;
  }
  return undefined;
}

function call(part: JudgedPart, worst: Ranked, failing: readonly Failure[]): Verdicted {
  const evidence = strongest(worst);
  const because: Said = { code: 'called', with: { fault: worst.fault, ...(evidence && { evidence }) } };
  if (part !== 'connections') return { verdict: 'replace', because, missing: [] };
  const { where } = FAULTS[worst.fault];
  const outside = failing.map(({ reading }) => reading.test).filter(isPathTest);
  return {
    verdict: 'repair',
    because,
    missing: [],
    where: [...new Set<StepName>([...(where ? [where] : []), ...outside])],
  };
}
