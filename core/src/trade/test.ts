/**
 * What is known of a test. Everything about one test stands in its own file in `tests/`, and whatever
 * tables others need (route, drawing, vocabulary, schema, steps, repeat list, report rows, documentation)
 * are derived from it.
 */
import type { Case } from '../format/case-shape';
import type { Reading } from '../format/reading-shape';
import type { FaultName, ObservationName, TestName } from '../format/names';
import type { JudgedPart } from '../format/words';
import type { Finding } from '../evidence/finding';
import type { DerivedCase } from '../evidence/derived-case';
import type { CaseContext, GradedCase } from '../evidence/case-context';
import type { AskBack } from '../evidence/ask-back';
import type { Question } from '../evidence/question';
import type { VoidRule } from '../evidence/void/void-rule';
import type { PhraseTable, Message } from '../format/message';
import type { ConditionName, ReadingConditions } from '../format/conditions';
import type { LeadPlacing } from '../circuit/points';
import type { ReadingPlace } from './route';
import type { Keeps, Requirement } from './required';
import type { Step } from '../evidence/step';

/** What a test's value is made of. */
export type ValueKind = 'number' | 'list' | 'number-or-OL';
export type TestUnit = 'V' | 'A' | 'ohm' | 'rpm' | '%' | 'SG';

/** The maker's figure for a test, in its unit; it wins over every school's. */
export interface SpecifiedRange {
  readonly min?: number;
  readonly max?: number;
}

export interface Test {
  /** Name in plain trade English. */
  readonly name: string;
  /** Unit of the value as files hold it. */
  readonly unit: TestUnit;
  /** Lowest and highest value that physics allows; volts are per 12 V nominal where it `scales`. */
  readonly domain: readonly [min: number, max: number];
  /** A usual value on a 12 V system: decides between several guesses at a slip of the hand. */
  readonly usual: number;
  /** True where domain and limits are proportional to nominal volts. */
  readonly scales: boolean;
  readonly kind: ValueKind;
  /** Shown in millivolts where small: a drop, ripple. */
  readonly isSmallVolts?: true;
  /** Conditions a reading of it may carry. */
  readonly conditions: readonly ConditionName[];
  /** Its places in the route; at least one. */
  readonly places: readonly [ReadingPlace, ...ReadingPlace[]];
  /** Where leads and clamp go; null for an instrument that has its own. */
  readonly leads: LeadPlacing | null;
  /** Run once and not again after a repair: it tells of the part that was replaced only. */
  readonly isOnce?: true;
  readonly step: Step;
  /** Who asks for it before a vehicle may be called sound; empty where nobody does. */
  readonly required: readonly Requirement[];
  /** What it tells of a part that is to be kept. */
  readonly keeps?: readonly Keeps[];
  /** Another test that confirms what it shows and tells where besides: asked for in place of a repeat while it is open. */
  readonly confirmedBy?: TestName;
  /** The part that it tells of alone: outside its limit, no other test that the part passed outweighs it. */
  readonly tellsOf?: JudgedPart;
  /** Conditions the judge asks for with it. */
  readonly asked?: (gradedCase: GradedCase) => ReadingConditions;
  /** Conditions known before anything is typed, of the pack as connected or of one battery. */
  readonly known?: (gradedCase: GradedCase, battery: number | undefined) => ReadingConditions;
  /** The maker's figure for this reading, where there is one. */
  readonly specified?: (system: Case['system'], reading: Reading) => SpecifiedRange | undefined;
  /** What makes a reading of it unfit to judge by, beside the rules that all tests share. */
  readonly voids?: readonly VoidRule[];
  /** Several are read in one pass, each with a name of its own: the bench stays at it. */
  readonly isSeveral?: true;
  /** What a tester that prints only a percentage has divided by, in the test’s unit: such a figure may be typed with “%”. */
  readonly percentOf?: (system: Case['system']) => number | null;
  /** What is asked before a figure of it is saved that can hardly be. */
  readonly askBack?: AskBack;
  /** What is asked with a figure of it, answered with one key. */
  readonly question?: Question;
  /** By the code of a void: what settles the instrument before this is read again. */
  readonly settledBy?: Readonly<Record<string, ObservationName>>;
  /**
   * True for a reading that tells of a part of what the test measures, as a drain with a fuse pulled: it is kept, shown and
   * noted, and nowhere counts as a reading of the test.
   */
  readonly isPartial?: (reading: Reading) => boolean;
  /** The test that such a reading counts as instead; null where it counts nowhere. */
  readonly countsAs?: (reading: Reading) => TestName | null;
  /** A part has limits of its own, as one battery of a pack that cranked alone: it is graded all the same. */
  readonly isPartGraded?: true;
  /** True for a reading that no limit may speak of: it is only noted. */
  readonly isUnlimited?: (reading: Reading, context: CaseContext) => boolean;
  /** Why a reading that meets no limit is only noted; null where there is no more to say than that. */
  readonly noted?: (reading: Reading, context: CaseContext) => Message | null;
  /** By the code of such a note: it is worth taking again, under the conditions that the note asks for. */
  readonly retaken?: readonly string[];
  /** What else to say of a reading within its limit. */
  readonly remark?: (reading: Reading, context: CaseContext) => Message | null;
  /** Faults it lies straight across: a valid reading outside its limit is proof of one of them by itself. */
  readonly direct?: readonly FaultName[];
  /**
   * How many times the limit of what it tells of lies in a reading that has no limit of its own, as the current through a
   * fuse in that of the drain; null where it cannot be told.
   */
  readonly timesLimit?: (reading: Reading, gradedCase: GradedCase) => number | null;
  readonly findings?: (seen: DerivedCase) => readonly Finding[];
  /** Sentences that its void rules and findings are told with. */
  readonly phrases?: PhraseTable;
}

export type Tests = Readonly<Record<TestName, Test>>;
