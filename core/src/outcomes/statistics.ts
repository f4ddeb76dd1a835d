/** What became of the jobs of a period: added up job by job, so that a year of a fleet need not be held at once. */
import type { Costs } from '../criteria/costs';
import type { TestName } from '../format/names';
import type { JudgedPart, Part } from '../format/words';
import type { Fault } from '../trade/fault';
import { isReplaced } from '../judge/rank/part-of';
import { FAULTS } from '../trade/tables';
import { calibrate } from './calibration';
import type { CalibrationGroup, Said } from './calibration';
import { complaintsIn } from './comeback';
import { complaintAfter, hasDiffered, wasRight } from './outcome';
import type { ShortDecision, SignedJob } from './outcome';

/** Jobs by what became of the complaint. */
export interface OutcomeCount {
  readonly jobs: number;
  readonly gone: number;
  readonly back: number;
  /** Nobody recorded it. */
  readonly unknown: number;
}

/** The jobs of one verdict, apart by whether the technician followed it. */
export interface VerdictOutcome {
  /** What the judge said; null where it had said nothing. */
  readonly judged: ShortDecision | null;
  readonly followed: OutcomeCount;
  readonly differed: OutcomeCount;
}

/** A part that the complaint pointed at, that a test found good, and that was not replaced. */
export interface SavedPart {
  readonly part: JudgedPart;
  readonly jobs: number;
  /** What replacing it for nothing would have cost by the limit set of each job, minutes of work. */
  readonly minutes: number;
  /** The tests that found it good, the commonest first. */
  readonly tests: readonly TestName[];
}

export interface OutcomeStatistics {
  readonly all: OutcomeCount;
  /** The commonest verdict first. */
  readonly verdicts: readonly VerdictOutcome[];
  readonly saved: readonly SavedPart[];
  /** Jobs in which it is known whether the judge was right and what it said it with. */
  readonly known: number;
  /** Null while fewer than 30 are known. */
  readonly calibration: readonly CalibrationGroup[] | null;
}

type Counting = { -readonly [K in keyof OutcomeCount]: number };
const none = (): Counting => ({ jobs: 0, gone: 0, back: 0, unknown: 0 });

/** The parts that a complaint alone may be laid at. */
function suspectedParts({ symptoms, system }: Pick<SignedJob, 'symptoms' | 'system'>): ReadonlySet<Part | null> {
  const complaints = complaintsIn(symptoms);
  const explains = ({ symptoms: shown, isNeverCalled }: Fault): boolean =>
    !isNeverCalled && complaints.some((complaint) => shown[complaint] !== undefined);
  return new Set(
    Object.values(FAULTS)
      .filter(explains)
      .map((fault) => fault.part(system)),
  );
}

export class OutcomeSums {
  readonly #all = none();
  readonly #verdicts = new Map<string, { judged: ShortDecision | null; followed: Counting; differed: Counting }>();
  readonly #saved = new Map<JudgedPart, { jobs: number; minutes: number; tests: Map<TestName, number> }>();
  readonly #said: Said[] = [];

  /**
   * @param costs Those of the limit set that the job was judged by.
   * @returns whether the judge was right; null where that is not known.
   */
  add(job: SignedJob, costs: Costs): boolean | null {
    const complaint = complaintAfter(job) ?? 'unknown';
    const verdict = this.#verdictOf(job.judged);
    for (const count of [this.#all, hasDiffered(job) ? verdict.differed : verdict.followed]) {
      count.jobs++;
      count[complaint]++;
    }
    this.#save(job, costs);
    const isTrue = wasRight(job);
    if (isTrue !== null && job.probability !== null) this.#said.push({ probability: job.probability, isTrue });
    return isTrue;
  }

  sums(): OutcomeStatistics {
    const jobsOf = ({ followed, differed }: VerdictOutcome): number => followed.jobs + differed.jobs;
    return {
      all: this.#all,
      verdicts: [...this.#verdicts.values()].sort((a, b) => jobsOf(b) - jobsOf(a)),
      saved: [...this.#saved]
        .map(([part, { jobs, minutes, tests }]) => ({
          part,
          jobs,
          minutes,
          tests: [...tests].sort(([, a], [, b]) => b - a).map(([test]) => test),
        }))
        .sort((a, b) => b.minutes - a.minutes),
      known: this.#said.length,
      calibration: calibrate(this.#said),
    };
  }

  #verdictOf(judged: SignedJob['judged']) {
    const key = judged ? `${judged.action} ${judged.part}` : '';
    let found = this.#verdicts.get(key);
    if (!found) {
      found = {
        judged: judged && { action: judged.action, part: judged.part },
        followed: none(),
        differed: none(),
      };
      this.#verdicts.set(key, found);
    }
    return found;
  }

  #save({ kept, signed, ...job }: SignedJob, costs: Costs): void {
    const suspected = suspectedParts(job);
    const isFitted = (part: string): boolean =>
      signed.part === part || signed.partsFitted.some((fitted) => fitted.toLowerCase().includes(part));
    for (const { part, tests } of kept) {
      if (!isReplaced(part) || tests.length === 0 || !suspected.has(part) || isFitted(part)) continue;
      const sum = this.#saved.get(part) ?? { jobs: 0, minutes: 0, tests: new Map<TestName, number>() };
      sum.jobs++;
      sum.minutes += costs.wrongPart[part];
      for (const test of new Set(tests)) sum.tests.set(test, (sum.tests.get(test) ?? 0) + 1);
      this.#saved.set(part, sum);
    }
  }
}
