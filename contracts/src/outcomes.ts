import 'reflect-metadata';
import { IsIn, IsOptional, IsString, IsUUID, Matches, MaxLength } from 'class-validator';
import { CAUSES, COMPLAINT_STATES } from '@tetrad/core/outcomes';
import type { Cause, ComplaintState, OutcomeStatistics, ShortDecision } from '@tetrad/core/outcomes';
import type { VehicleView } from './views';

const NOTE = { message: 'text of at most 2000 characters' };
const DAY = { message: 'a date, as 2026-03-02' };
const DAY_SHAPE = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;

/** The body that records what became of a job after it was signed off. */
export class NewOutcome {
  @IsUUID('all', { message: 'a UUID' })
  id!: string;

  /** Whether the complaint is gone, or still there or back. */
  @IsIn(COMPLAINT_STATES, { message: `one of ${COMPLAINT_STATES.join(', ')}` })
  complaint!: ComplaintState;

  /** What turned out to be at fault; absent where it is not known. */
  @IsOptional()
  @IsIn(CAUSES, { message: `one of ${CAUSES.join(', ')}` })
  cause?: Cause;

  @IsOptional()
  @IsString(NOTE)
  @MaxLength(2000, NOTE)
  note?: string;
}

/** Which jobs are wanted: by the day on which they were signed off. */
export class OutcomesQuery {
  /** The first day; a year before the last where it is absent. */
  @IsOptional()
  @Matches(DAY_SHAPE, DAY)
  from?: string;

  /** The last day, which is counted; today where it is absent. */
  @IsOptional()
  @Matches(DAY_SHAPE, DAY)
  to?: string;
}

/** A job in a list of outcomes. */
export interface OutcomeJobView {
  readonly job: string;
  readonly vehicle: Pick<VehicleView, 'id' | 'name' | 'plate'>;
  readonly signedAt: string;
  readonly signedBy: string;
  readonly signed: ShortDecision;
  /** What Tetrad said when it was signed off; null where nothing was. */
  readonly judged: ShortDecision | null;
  readonly probability: number | null;
  readonly complaint: ComplaintState | null;
  readonly cause: Cause | null;
  readonly note: string | null;
}

/** What became of the jobs of a period. */
export interface OutcomesView extends OutcomeStatistics {
  readonly from: string;
  readonly to: string;
  /** The first day that is counted: later than `from` where the period has more jobs than are counted. */
  readonly countedFrom: string;
  /** How many verdicts turned out wrong, and the newest of them. */
  readonly wrongCount: number;
  readonly wrong: readonly OutcomeJobView[];
  /** Jobs of which nobody recorded what became of them, the newest first. */
  readonly open: readonly OutcomeJobView[];
}
