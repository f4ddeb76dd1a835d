import 'reflect-metadata';
import { ArrayMaxSize, ArrayNotEmpty, IsArray, IsOptional, IsUUID } from 'class-validator';
import type { VisitMeasures } from '@tetrad/core/trends';
import type { VisitView } from './views';

const ID = { message: 'a UUID' };
const MAX_JOBS = 500;

/** The body that moves jobs of a vehicle to another: some of them, or all, which makes two records one. */
export class MoveJobs {
  /** The sender's own, so that a repeat moves nothing twice. */
  @IsUUID('all', ID)
  id!: string;

  @IsUUID('all', ID)
  to!: string;

  /** All of them where absent: the two are one vehicle. */
  @IsOptional()
  @IsArray({ message: `1 to ${MAX_JOBS} ids of jobs` })
  @ArrayNotEmpty({ message: `1 to ${MAX_JOBS} ids of jobs` })
  @ArrayMaxSize(MAX_JOBS, { message: `1 to ${MAX_JOBS} ids of jobs` })
  @IsUUID('all', { each: true, message: 'a UUID' })
  jobs?: string[];
}

/** A visit with the figures of every series, void readings in none. */
export interface HistoryVisit extends VisitView {
  readonly measures: VisitMeasures;
}
