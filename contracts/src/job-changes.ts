import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { PASSES, caseParts } from '@tetrad/core';
import type { Case, Pass, System } from '@tetrad/core';
import { Fits } from './fits';
import { VehicleChanges } from './new-job';

export const JOB_STATUSES = ['open', 'closed'] as const;
export type JobStatus = (typeof JOB_STATUSES)[number];

/** Changes to a job. `version` is the one they were made on: an older one is refused, nothing is lost. */
export class JobChanges {
  @IsInt({ message: 'the version of the job that was changed, a whole number' })
  @Min(1, { message: 'the version of the job that was changed, a whole number' })
  @Max(2_147_483_647, { message: 'the version of the job that was changed, a whole number' })
  version!: number;

  @IsOptional()
  @Fits(caseParts.system)
  system?: System;

  @IsOptional()
  @Fits(caseParts.complaint)
  complaint?: NonNullable<Case['complaint']>;

  @IsOptional()
  @Fits(caseParts.conditions)
  conditions?: NonNullable<Case['conditions']>;

  @IsOptional()
  @Matches(/^[a-z0-9-]{1,40}$/, { message: 'the id of a criteria set' })
  criteria?: string;

  @IsOptional()
  @IsIn(JOB_STATUSES, { message: `one of ${JOB_STATUSES.join(', ')}` })
  status?: JobStatus;

  @IsOptional()
  @IsString({ message: 'text of at most 80 characters' })
  @MaxLength(80, { message: 'text of at most 80 characters' })
  assignee?: string;

  /** `after` once the repair is done: what is read from then on stands beside what was read before. */
  @IsOptional()
  @IsIn(PASSES, { message: `one of ${PASSES.join(', ')}` })
  pass?: Pass;

  @IsOptional()
  @IsObject({ message: 'an object' })
  @ValidateNested()
  @Type(() => VehicleChanges)
  vehicle?: VehicleChanges;
}
