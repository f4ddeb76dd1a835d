/** The verdict of one part: keep, replace, repair, charge first, not tested, or not proven with what is missing. */
import { threshold } from '../../criteria/weights';
import type { Reading } from '../../format/reading-shape';
import type { FaultName, StepName, TestName } from '../../format/names';
import type { JudgedPart, Part, Verdict } from '../../format/words';
import { isJudged, isOutside, limitOf } from '../../evidence/limit-of';
import { isPathTest } from '../../circuit/paths';
import { FAULTS, TESTS } from '../../trade/tables';
import { NEEDED_TO_KEEP } from './kept-by';
import type { Message } from '../../format/message';
import { isTaken } from '../prove/is-taken';
import type { ProvenCase } from '../prove/prove';
import type { Ranked } from '../rank/rank-faults';
import { isCharged, readingsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { strongest } from './decision-input';
import type { Failure } from '../derive/failures';
import { whyStop } from './stop';
import { isCallable, partOf } from '../rank/part-of';
import { message } from '../messages';
import type { StillOpen } from '../message-params';

export interface Verdicted extends StillOpen {
  readonly verdict: Verdict;
  readonly because: Message;
  readonly where?: readonly StepName[];
}

/** The faults that may be called, most probable first, by the part they belong to in this vehicle. */
export function suspectsByPart(
  ranked: readonly Ranked[],
  gradedCase: GradedCase,
): ReadonlyMap<Part | null, readonly Ranked[]> {
  const byPart = new Map<Part | null, Ranked[]>();
  for (const entry of ranked) {
    if (!isCallable(entry.fault)) continue;
    const part = partOf(entry.fault, gradedCase);
    const own = byPart.get(part);
    if (own) own.push(entry);
    else byPart.set(part, [entry]);
  }
  return byPart;
}

/** Beside the part that is decided on another is called that is as sure as this. */
const ALSO_CALLED = 0.8;

interface VerdictInput {
  readonly provenCase: ProvenCase;
  /** The fault that was decided on; its part is called by it. */
  readonly decided: FaultName | null;
  /** What shows that this part was repaired; null where it was not. */
  readonly mendedBy: Reading | null;
  /** The faults of this part, most probable first. */
  readonly suspects: readonly Ranked[];
  readonly failing: readonly Failure[];
  /** The drops that are worth reading before the decision. */
  readonly narrowing: readonly StepName[];
}

/** @returns the verdict of one part with its reason, and the steps that are missing for another one. */
export function partVerdict(
  part: JudgedPart,
  { provenCase, decided, mendedBy, suspects, failing, narrowing }: VerdictInput,
): Verdicted {
  const { gradedCase } = provenCase;
  const [worst] = suspects;
  const proven = suspects.find(
    ({ fault, probability }) =>
      fault === decided || (decided !== null && probability >= ALSO_CALLED && provenCase.proofOf(fault).proven),
  );
  if (proven) return call(part, proven, failing);
  if (mendedBy) return { verdict: 'keep', because: message('keep', { part, readings: [mendedBy] }), missing: [] };
  const stop = part === 'battery' ? whyStop(gradedCase) : null;
  if (stop) return { verdict: stop.replace ? 'replace' : 'not-proven', because: stop.says, missing: [] };
  if (part === 'battery' && gradedCase.charge !== null && !isCharged(gradedCase))
    return { verdict: 'charge-first', because: message('charge-first-part', {}), missing: ['charge'] };
  const lost = part === 'connections' ? losing(failing, gradedCase) : undefined;
  if (lost)
    return losingPath(
      lost,
      decided !== null,
      narrowing.length > 0 || !worst ? narrowing : provenCase.proofOf(worst.fault).missing,
      gradedCase,
    );
  const { read, unread, isTouched } = readFor(part, gradedCase);
  if (worst && worst.probability >= threshold('suspected')) {
    const steps = stillOpen([...provenCase.proofOf(worst.fault).missing, ...unread], gradedCase);
    return { verdict: 'not-proven', because: message('suspected', { fault: worst.fault, ...steps }), ...steps };
  }
  const across = failing.find(({ faults }) => faults.some((fault) => partOf(fault, gradedCase) === part));
  if (across) return inDoubt(across.reading, part);
  if (unread.length > 0) {
    const steps = stillOpen(unread, gradedCase);
    return isTouched
      ? { verdict: 'not-proven', because: message('not-read-yet', steps), ...steps }
      : { verdict: 'not-tested', because: message('not-tested', steps), ...steps };
  }
  const failed = failing.find(({ reading }) => TESTS[reading.test].tellsOf === part)?.reading;
  if (failed) return inDoubt(failed, part);
  return {
    verdict: 'keep',
    because: message('keep', { part, readings: read }),
    missing: [],
  };
}

/** A reading outside its limit speaks of the part, and nothing is proven by it: another tells. */
const inDoubt = (reading: Reading, part: JudgedPart): Verdicted => ({
  verdict: 'not-proven',
  because: message('outside-across', { reading, part }),
  missing: [],
  again: [reading.test],
});

/** What nobody has read is missing; what was read and settles nothing is read again. */
function stillOpen(steps: readonly StepName[], gradedCase: GradedCase): StillOpen {
  const own = [...new Set(steps)];
  const again = own.filter((step) => isTaken(step, gradedCase));
  return { missing: own.filter((step) => !again.includes(step)), ...(again.length > 0 && { again }) };
}

/** A reading straight across a path of which nothing belongs to another part. */
const losing = (failing: readonly Failure[], gradedCase: GradedCase): Failure | undefined =>
  failing.find(
    ({ faults }) => faults.length > 0 && faults.every((fault) => partOf(fault, gradedCase) === 'connections'),
  );

/** Beside a decision the path is repaired too; while nothing is decided it is narrowed down first. */
function losingPath(
  { reading }: Failure,
  isDecided: boolean,
  open: readonly StepName[],
  gradedCase: GradedCase,
): Verdicted {
  const bound = limitOf(gradedCase, reading)?.bound;
  const amps = reading.conditions?.amps;
  const figures = { reading, ...(amps !== undefined && { amps }), ...(bound && { bound }) };
  if (isDecided)
    return { verdict: 'repair', because: message('path-fails', figures), missing: [], where: [reading.test] };
  const steps = stillOpen(open.length > 0 ? open : [reading.test], gradedCase);
  return { verdict: 'not-proven', because: message('path-to-narrow', figures), ...steps, where: [reading.test] };
}

/** What is known of what a part needs to be kept. */
interface ReadForPart {
  /** The readings that keep it. */
  readonly read: readonly Reading[];
  /** Of each list without one the first test that nobody has read. */
  readonly unread: readonly StepName[];
  /** Whether anything that speaks of the part is read. */
  readonly isTouched: boolean;
}

function readFor(part: JudgedPart, gradedCase: GradedCase): ReadForPart {
  const read: Reading[] = [];
  const unread: StepName[] = [];
  let isTouched = false;
  for (const needed of NEEDED_TO_KEEP[part]) {
    const valid = needed.anyOf.map((test) => newestOf(test, gradedCase));
    isTouched ||= valid.some((reading) => reading !== undefined);
    const reading = valid.find((one) => one && needed.isEnough(one, gradedCase));
    const open = needed.anyOf.find((_test, place) => valid[place] === undefined);
    if (reading) read.push(reading);
    else if (open !== undefined) unread.push(open);
    else if (!valid.some((one) => one && isOutside(gradedCase, one))) unread.push(needed.anyOf[0]!);
  }
  return { read, unread, isTouched };
}

/** The newest that a limit speaks of: what is only noted keeps nothing. */
const newestOf = (test: TestName, gradedCase: GradedCase): Reading | undefined =>
  readingsOf(gradedCase, test).findLast((reading) => reading.value !== null && isJudged(gradedCase, reading));

function call(part: JudgedPart, worst: Ranked, failing: readonly Failure[]): Verdicted {
  const evidence = strongest(worst);
  const because: Message = message('called', { fault: worst.fault, ...(evidence && { evidence }) });
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
