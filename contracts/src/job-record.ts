import 'reflect-metadata';
import { Type } from 'class-transformer';
import { IsDateString, IsIn, IsObject, IsOptional, IsString, Length, ValidateNested } from 'class-validator';
import type { Decision, Pass } from '@tetrad/core';
import { JOB_STATUSES } from './job-changes';
import type { JobStatus } from './job-changes';
import { VehicleChanges } from './new-job';
import { NewSignOff } from './sign-off';
import type { JobView, SignOffView } from './views';

const NAME = { message: 'a name of 1 to 80 characters' };
const TIME = { message: 'a date and time with its zone, like 2026-03-02T09:14:00Z' };

class RecordedSignOff extends NewSignOff {
  @IsString(NAME)
  @Length(1, 80, NAME)
  by!: string;

  @IsDateString({ strict: true }, TIME)
  at!: string;

  /** The judge's decision at that time. */
  @IsOptional()
  @IsObject({ message: 'a decision of the judge' })
  judged?: Decision;
}

/**
 * What an exported case says of its job beside the case itself: the field `job` of the document. The open format keeps
 * fields that it does not know, so that others can read the case without it.
 */
export class JobRecord {
  @IsObject({ message: 'an object' })
  @ValidateNested()
  @Type(() => VehicleChanges)
  vehicle!: VehicleChanges;

  @IsIn(JOB_STATUSES, { message: `one of ${JOB_STATUSES.join(', ')}` })
  status!: JobStatus;

  @IsIn(['before', 'after'], { message: 'one of before, after' })
  pass!: Pass;

  @IsDateString({ strict: true }, TIME)
  openedAt!: string;

  @IsOptional()
  @IsString(NAME)
  @Length(1, 80, NAME)
  assignee?: string;

  @IsOptional()
  @IsString({ message: 'the id of a criteria set' })
  @Length(1, 60, { message: 'the id of a criteria set' })
  criteria?: string;

  /** How it was signed off where it comes from. */
  @IsOptional()
  @IsObject({ message: 'an object' })
  @ValidateNested()
  @Type(() => RecordedSignOff)
  signOff?: RecordedSignOff;
}

/** Without what is null: absent is absent. */
const told = <T extends object>(value: T): Partial<{ [K in keyof T]: NonNullable<T[K]> }> =>
  Object.fromEntries(Object.entries(value).filter(([, entry]) => entry !== null)) as never;

/** The record of a job, as its export carries it. */
export function recordOf(job: JobView): object {
  const { vehicle, status, pass, openedAt, assignee, criteria, importedSignOff } = job;
  const { id: _id, ...facts } = vehicle;
  const { imported: _imported, ...broughtIn } = importedSignOff ?? { imported: null };
  const signOff = job.signOff ?? (importedSignOff && (broughtIn as SignOffView));
  return told({ vehicle: told(facts), status, pass, openedAt, assignee, criteria, signOff: signOff && told(signOff) });
}

/** The set that a record names, where this shop has it. */
