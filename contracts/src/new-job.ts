import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  IsISO8601,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { caseParts } from '@tetrad/core';
import type { Case, System } from '@tetrad/core';
import { Fits } from './fits';

const DATE = { message: 'a date as 2026-03-31' };

/** What may be told of a vehicle beside its name. */
class VehicleFacts {
  @IsOptional()
  @IsString({ message: 'text of at most 16 characters' })
  @MaxLength(16, { message: 'text of at most 16 characters' })
  plate?: string;

  @IsOptional()
  @Matches(/^[A-HJ-NPR-Z0-9]{17}$/, { message: '17 letters and digits, without I, O and Q' })
  vin?: string;

  /** Vehicles of one fleet or route. */
  @IsOptional()
  @IsString({ message: 'text of at most 40 characters' })
  @MaxLength(40, { message: 'text of at most 40 characters' })
  group?: string;

  /** When its battery was fitted before it was first here. */
  @IsOptional()
  @IsISO8601({ strict: true }, DATE)
  @Length(10, 10, DATE)
  batteryFittedOn?: string;

  @IsOptional()
  @IsInt({ message: 'a year from 1900 to 2100' })
  @Min(1900, { message: 'a year from 1900 to 2100' })
  @Max(2100, { message: 'a year from 1900 to 2100' })
  year?: number;
}

/** Changes to a vehicle; what is not named stays. */
export class VehicleChanges extends VehicleFacts {
  @IsOptional()
  @IsString({ message: 'text of 1 to 80 characters' })
  @Length(1, 80, { message: 'text of 1 to 80 characters' })
  name?: string;
}

/** The vehicle a job is about: a known one by id, or a new one by name. */
export class JobVehicle extends VehicleFacts {
  @IsUUID('all', { message: 'a UUID' })
  id!: string;

  @IsString({ message: 'text of 1 to 80 characters' })
  @Length(1, 80, { message: 'text of 1 to 80 characters' })
  name!: string;
}

/** The body that opens a job. The id is the device's own, so that a repeat opens it once. */
export class NewJob {
  @IsUUID('all', { message: 'a UUID' })
  id!: string;

  @IsObject({ message: 'an object' })
  @ValidateNested()
  @Type(() => JobVehicle)
  vehicle!: JobVehicle;

  @Fits(caseParts.system)
  system!: System;

  @IsOptional()
  @Fits(caseParts.complaint)
  complaint?: NonNullable<Case['complaint']>;

  @IsOptional()
  @Fits(caseParts.conditions)
  conditions?: NonNullable<Case['conditions']>;

  @IsOptional()
  @IsString({ message: 'text of at most 80 characters' })
  @MaxLength(80, { message: 'text of at most 80 characters' })
  assignee?: string;
}
