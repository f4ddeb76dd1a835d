/** The report of a job as data: what screen, print and PDF show alike. */
import type { CriteriaSet } from '../criteria/criteria-set';
import type { Case } from '../format/case-shape';
import type { Judgement } from '../format/judgement-shape';
import type { Grade } from '../format/words';
import type { Profile } from '../profile/four-note-profile';
import type { FigureChoice } from '../quantities/figure-format';
import type { DecisionTone, SignedDecision } from '../words/en/decisions';
import type { Settled } from './settled';

/** How the job was signed off, as the report needs it. */
export interface ReportSignOff extends SignedDecision {
  readonly by: string;
  readonly at: string;
  readonly words: string;
  /** Set where the decision taken is another than the judge's. */
  readonly differs: { readonly judged: string; readonly reason: string } | null;
  readonly conclusion: string;
  readonly comment: string | null;
}

export interface ReportInput {
  readonly case: Case;
  readonly judgement: Judgement;
  readonly criteria: CriteriaSet;
  readonly signOff: ReportSignOff | null;
  /** How the reader wants figures written. */
  readonly figures?: FigureChoice;
}

export interface ReportReading {
  readonly id: string;
  readonly test: string;
  readonly value: string;
  readonly grade: Grade;
  /** The limit, or why it is void. */
  readonly limit: string;
  readonly how: string;
  readonly at: string | null;
  readonly isAfter: boolean;
}

export interface ReportDocument {
  /** How the reader wants figures written: the profile's are drawn, not told. */
  readonly figures: FigureChoice;
  readonly complaint: string;
  /** What the battery's label says. */
  readonly battery: string;
  readonly replacedBefore: string;
  /** How the job stands, in a line. */
  readonly headline: { readonly words: string; readonly tone: DecisionTone };
  /** What the readings say: the judge's own decision. */
  readonly decision: { readonly words: string; readonly because: string };
  /** The finding in plain words: the technician's conclusion where there is one. */
  readonly plain: string;
  /** Where in the path to work; empty where it is no path. */
  readonly place: string;
  /** The other causes, each with what excludes it. */
  readonly ruledOut: readonly string[];
  /** Deciding reading; null where nothing did. */
  readonly settled: Settled | null;
  readonly before: Profile;
  readonly after: Profile | null;
  readonly comparison: readonly {
    readonly test: string;
    readonly before: string;
    readonly gradeBefore: Grade | null;
    readonly after: string;
    readonly limit: string;
    readonly grade: Grade | null;
  }[];
  readonly signOff: ReportSignOff | null;
  /** Parts of the system, and single tests, of which nothing is known: never taken as passed. */
  readonly notTested: readonly string[];
  readonly parts: readonly { readonly part: string; readonly words: string; readonly because: string }[];
  readonly observations: readonly { readonly about: string; readonly finding: string }[];
  readonly readings: readonly ReportReading[];
  readonly criteria: string;
  readonly cautions: readonly string[];
}
