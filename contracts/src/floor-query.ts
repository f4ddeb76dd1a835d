import 'reflect-metadata';
import { Transform } from 'class-transformer';
import { ArrayMaxSize, IsIn, IsOptional, IsString, IsUUID, MaxLength } from 'class-validator';
import { JOB_STATUSES } from './job-changes';
import type { JobStatus } from './job-changes';
import { PageQuery } from './page-query';

export const FLOOR_SORTS = ['changed', 'opened'] as const;
export type FloorSort = (typeof FLOOR_SORTS)[number];
/** Rows of a page where nothing is said. */
export const FLOOR_PAGE = 30;

const STATUS = { message: `one of ${JOB_STATUSES.join(', ')}` };
const FIND = { message: 'words of at most 80 characters in all' };
const IDS = { each: true, message: 'at most 100 ids with commas between' };

/** Vehicles of a page where nothing is said. */
export const VEHICLES_PAGE = 100;

/** Which vehicles are asked for. */
export class VehicleQuery extends PageQuery {
  /** Words, all of which stand in name, plate or VIN. */
  @IsOptional()
  @IsString(FIND)
  @MaxLength(80, FIND)
  find?: string;
}

/** Which jobs of the floor are asked for: a page, or some by their ids. */
export class FloorQuery extends PageQuery {
  @IsOptional()
  @IsIn(JOB_STATUSES, STATUS)
  status?: JobStatus;

  @IsOptional()
  @IsIn(FLOOR_SORTS, { message: `one of ${FLOOR_SORTS.join(', ')}` })
  sort?: FloorSort;

  /** Words, all of which stand in the vehicle's name, plate or VIN, or who has the job. */
  @IsOptional()
  @IsString(FIND)
  @MaxLength(80, FIND)
  find?: string;

  @IsOptional()
  @Transform(({ value }) => String(value).split(','))
  @IsUUID('all', IDS)
  @ArrayMaxSize(100, { message: IDS.message })
  ids?: string[];
}
