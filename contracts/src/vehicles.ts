import 'reflect-metadata';
import { ArrayMaxSize, ArrayNotEmpty, IsArray, IsBoolean, IsOptional, IsUUID } from 'class-validator';
import { vehicleRowsShape } from '@tetrad/core';
import type { VehicleRow } from '@tetrad/core';
import type { KindBand, VisitMeasures } from '@tetrad/core/trends';
import { Fits } from './fits';
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

/** The body that brings in a list of vehicles: first to see what would change, then to change it. */
export class ImportVehicles {
  @IsUUID('all', ID)
  id!: string;

  @Fits(vehicleRowsShape, 0)
  rows!: readonly VehicleRow[];

  /** False only tells what would change. */
  @IsBoolean({ message: 'true or false' })
  isApplied!: boolean;
}

/** What becomes of one row: a new vehicle, changes of a known one, or nothing. */
export interface ImportedRow {
  readonly what: 'new' | 'changed' | 'same';
  /** The known vehicle it was recognized as, by VIN or else by plate. */
  readonly vehicle: string | null;
  /** By field: before and after. */
  readonly changes: Readonly<Record<string, readonly [before: string, after: string]>>;
  /** What should be looked at again, though it is allowed. */
  readonly doubt: string | null;
}
export interface VehicleImportView {
  readonly id: string;
  readonly isApplied: boolean;
  readonly rows: readonly ImportedRow[];
}

/** A recorded file of one of its visits. */
export interface VehicleCaptureView {
  readonly id: string;
  readonly job: string;
  readonly name: string;
  readonly at: string;
  readonly bytes: number;
}

/** What other vehicles of the same kind show. */
export interface VehicleKindView {
  readonly bands: readonly KindBand[];
}

/** A visit with the figures of every series, void readings in none. */
export interface HistoryVisit extends VisitView {
  readonly measures: VisitMeasures;
}
