import type { PartVerdict, RankedFault, StepName } from '../case/judgement-shape';
import type { FaultName, JudgedPart, TestName } from '../case/vocabulary';
import type { Assessment } from './assess';
import { partOfFault } from './decide';
import { isCharged, proofOf } from './proof';
import type { Evidence } from './proof';
import { latest } from './situation';
import { nameOf, stepName } from './wording';

interface VerdictInput {
  readonly evidence: Evidence;
  readonly faults: readonly RankedFault[];
  readonly assessments: readonly Assessment[];
}

/** Under this a part's faults are as good as excluded. */
const EXCUSED = 0.25;

/** The least that must be read before a part may be called good: any one of each list. */
const NEEDED_TO_KEEP: Readonly<Record<JudgedPart, readonly (readonly TestName[])[]>> = {
  battery: [
    ['resting-voltage'],
    ['cranking-voltage', 'load-test', 'conductance', 'internal-resistance', 'specific-gravity'],
  ],
  starter: [['cranking-voltage', 'starter-draw', 'cranking-speed']],
  alternator: [['charging-voltage'], ['ripple-ac', 'ripple-waveform']],
  connections: [
    ['cranking-voltage', 'drop-starter-positive', 'drop-positive-post'],
    ['cranking-voltage', 'drop-starter-ground', 'drop-negative-post'],
  ],
};

/** The verdict of one part: keep, replace, repair, charge first, or not proven yet with what is missing. */
export function partVerdict(part: JudgedPart, { evidence, faults, assessments }: VerdictInput): PartVerdict {
  const { situation } = evidence;
  const worst = faults.find(
    ({ fault }) => fault !== 'none' && fault !== 'battery-discharged' && partOfFault(fault, situation) === part,
  );
  const proof = worst ? proofOf(worst.fault, evidence) : null;
  if (worst && proof?.proven && worst.probability >= situation.criteria.callProbability)
    return call(part, worst, assessments);
  if (part === 'battery' && situation.charge !== null && !isCharged(situation))
    return {
      verdict: 'charge-first',
      because: 'Charge first, then repeat: a flat battery cannot be judged, and spoils every later reading.',
      missing: ['charge'],
    };
  const unread = unique(
    NEEDED_TO_KEEP[part].filter((tests) => !tests.some((test) => latest(situation, test))).map(([first]) => first!),
  );
  if (worst && worst.probability >= EXCUSED)
    return notProven(unique([...(proof?.missing ?? []), ...unread]), `${nameOf(worst.fault)} is possible`);
  if (unread.length > 0) return notProven(unread, 'Not read yet');
  return {
    verdict: 'keep',
    because: `Nothing read speaks against ${part === 'connections' ? 'the connections' : `the ${part}`}.`,
    missing: [],
  };
}

const unique = (steps: readonly StepName[]): readonly StepName[] => [...new Set(steps)];

function notProven(missing: readonly StepName[], why: string): PartVerdict {
  const names = missing.map((step) => stepName(step).toLowerCase()).join(', ');
  return {
    verdict: 'not-proven',
    because: names ? `${why}. Missing: ${names}.` : `${why}.`,
    missing,
  };
}

const WHERE: Readonly<Partial<Record<FaultName, TestName>>> = {
  'connection-positive-post': 'drop-positive-post',
  'connection-negative-post': 'drop-negative-post',
  'cable-starter-positive': 'drop-starter-positive',
  'cable-starter-ground': 'drop-starter-ground',
  'charge-cable-positive': 'drop-charge-positive',
  'charge-cable-ground': 'drop-charge-ground',
};

function call(part: JudgedPart, worst: RankedFault, assessments: readonly Assessment[]): PartVerdict {
  const strongest = worst.evidence.find(({ weight }) => weight > 0)?.says;
  const because = `${nameOf(worst.fault)}${strongest ? `: ${strongest}` : ''}.`;
  if (part !== 'connections') return { verdict: 'replace', because, missing: [] };
  const outside = assessments
    .filter(({ grade, reading }) => grade === 'outside' && reading.test.startsWith('drop-'))
    .map(({ reading }) => reading.test);
  const where = WHERE[worst.fault];
  return { verdict: 'repair', because, missing: [], where: [...new Set([...(where ? [where] : []), ...outside])] };
}
