import 'reflect-metadata';
import { IsBoolean, IsInt, IsOptional, IsString, Matches, Max, MaxLength, Min } from 'class-validator';
import { criteriaShape } from '@tetrad/core';
import type { CriteriaDocument, CriteriaFault, Judgement } from '@tetrad/core';
import { Fits } from './fits';
import type { VehicleView } from './views';

const REASON = { message: 'text of at most 500 characters' };
const SET = { message: 'the id of a set: small letters, digits and -' };
const VERSION = { message: 'the version that it was made from, a whole number; 0 for a new set' };

/** The body that checks a set before it is saved. */
export class CheckCriteria {
  @Fits(criteriaShape, 0)
  document!: CriteriaDocument;
}

/** The body that saves a version of the shop's own set: it is never changed afterwards. */
export class NewCriteria extends CheckCriteria {
  /** What it was made from: a version that somebody else saved meanwhile is never passed over. */
  @IsInt(VERSION)
  @Min(0, VERSION)
  @Max(1_000_000, VERSION)
  follows!: number;

  @IsOptional()
  @IsString(REASON)
  @MaxLength(500, REASON)
  reason?: string;

  /** It condemns nearly every past job, and that is meant. */
  @IsOptional()
  @IsBoolean({ message: 'true or false' })
  isMeant?: boolean;
}

/** The body that chooses the set that new jobs begin with. */
export class UsualCriteria {
  @Matches(/^[a-z0-9-]{1,40}$/, SET)
  id!: string;
}

/** One version of a set: shipped, or the shop's own. */
export interface CriteriaView {
  readonly document: CriteriaDocument;
  readonly isShipped: boolean;
  readonly isInForce: boolean;
  readonly madeBy: string | null;
  readonly madeAt: string | null;
  readonly inForceBy: string | null;
  readonly inForceAt: string | null;
  readonly reason: string | null;
}
export interface CriteriaListView {
  /** The set that new jobs begin with. */
  readonly usual: string;
  /** Of each set every version, the newest first; shipped sets first. */
  readonly sets: readonly CriteriaView[];
}

/** How many of a sample of past jobs have a reading outside its limit: as it was said, and by a set. */
export interface CondemnedShare {
  readonly jobs: number;
  readonly now: number;
  readonly then: number;
}
export interface CheckedCriteriaView {
  readonly faults: readonly CriteriaFault[];
  /** Null while there are faults, or no past jobs. */
  readonly condemns: CondemnedShare | null;
}

/** A past job whose decision would be another. */
export interface ChangedVerdict {
  readonly job: string;
  readonly vehicle: Pick<VehicleView, 'id' | 'name' | 'plate'>;
  readonly openedAt: string;
  readonly before: ToldDecision;
  readonly after: ToldDecision;
}
/** A decision as it is told in a line. */
type ToldDecision = Pick<Judgement['decision'], 'action' | 'part' | 'fault'>;
/** One line of a run that judges past jobs again. */
export interface RejudgeProgress {
  readonly done: number;
  readonly total: number;
  readonly changed: number;
  /** Some of those that changed since the line before. */
  readonly verdicts: readonly ChangedVerdict[];
  readonly isEnd: boolean;
}
