import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { caseParts, listShape, readingShape } from '@tetrad/core';
import type { Case, DueBy, Judgement, Profile, Reading, System, UseReading } from '@tetrad/core';
import { Fits } from './fits';
import { JobVehicle } from './new-job';
import { NewObservation } from './new-reading';
import type { VehicleView } from './views';

const OR_ANOTHER = 'or an interval in kilometers or hours, or a date before winter';
const DAYS = { message: `a whole number of days, 1 to 3650, ${OR_ANOTHER}` };
const INTERVAL_KM = { message: 'a whole number of kilometers, 1 to 1000000' };
const INTERVAL_HOURS = { message: 'a whole number of hours, 1 to 100000' };
const DATE = { message: 'month and day, as 10-15' };
const GROUP = { message: 'the name of a group, 1 to 40 characters' };
const WHO = { message: 'text of at most 80 characters' };
const COMMENT = { message: 'text of at most 500 characters' };
const KM = { message: 'a whole number of kilometers, 0 to 10000000' };
const HOURS = { message: 'a whole number of hours, 0 to 1000000' };
const AGE = { message: 'seconds since it was done, 0 to 31536000' };
const ID = { message: 'a UUID' };

const isNoOtherInterval = ({ everyDays, everyKm, everyHours, beforeWinter }: RoundPlan): boolean =>
  everyDays !== undefined || (everyKm === undefined && everyHours === undefined && beforeWinter === undefined);

/** The body that plans a round: how often the vehicles of a group are checked. What is told first becomes due first. */
export class RoundPlan {
  @IsString(GROUP)
  @Length(1, 40, GROUP)
  group!: string;

  @ValidateIf(isNoOtherInterval)
  @IsInt(DAYS)
  @Min(1, DAYS)
  @Max(3650, DAYS)
  everyDays?: number;

  @IsOptional()
  @IsInt(INTERVAL_KM)
  @Min(1, INTERVAL_KM)
  @Max(1_000_000, INTERVAL_KM)
  everyKm?: number;

  @IsOptional()
  @IsInt(INTERVAL_HOURS)
  @Min(1, INTERVAL_HOURS)
  @Max(100_000, INTERVAL_HOURS)
  everyHours?: number;

  /** Month and day: each year checked by then. */
  @IsOptional()
  @Matches(/^(0[1-9]|1[0-2])-(0[1-9]|1\d|2[0-8])$/, DATE)
  beforeWinter?: string;

  @IsOptional()
  @IsString(WHO)
  @MaxLength(80, WHO)
  assignee?: string;
}

/** A plan, and how many of its vehicles are due. */
export interface RoundView {
  readonly id: string;
  readonly group: string;
  readonly everyDays: number | null;
  readonly everyKm: number | null;
  readonly everyHours: number | null;
  readonly beforeWinter: string | null;
  readonly assignee: string | null;
  readonly vehicles: number;
  readonly due: number;
  /** When the next one is due that is not yet; null where none is. */
  readonly nextOn: string | null;
}

/** A vehicle of a round: when it was last seen, and when it is due. */
export interface RoundVehicle {
  readonly vehicle: VehicleView;
  /** When its newest job was opened; null where it was never here. */
  readonly lastVisit: string | null;
  /** Null where distance or hours are not known well enough. */
  readonly dueOn: string | null;
  readonly by: DueBy | null;
  /** Of its newest job. */
  readonly decision: Judgement['decision'] | null;
  /** What a new job of it begins with. */
  readonly system: System | null;
  /** What odometer and hour meter showed last. */
  readonly use: UseReading | null;
}

/** What odometer or hour meter of a vehicle show. */
export class VehicleUse {
  @IsOptional()
  @IsInt(KM)
  @Min(0, KM)
  @Max(10_000_000, KM)
  km?: number;

  @IsOptional()
  @IsInt(HOURS)
  @Min(0, HOURS)
  @Max(1_000_000, HOURS)
  hours?: number;
}

/** Readings that one check may hold: four, and a few of a pack. */
const MAX_CHECK_READINGS = 24;
const MAX_CHECK_OBSERVATIONS = 12;

/** The body that stores the check of one vehicle: what was read and seen, all at once. */
export class RoundCheck extends VehicleUse {
  /** Of the round; absent where a vehicle was checked beside one. */
  @IsOptional()
  @IsUUID('all', ID)
  plan?: string;

  @IsObject({ message: 'an object' })
  @ValidateNested()
  @Type(() => JobVehicle)
  vehicle!: JobVehicle;

  @Fits(caseParts.system)
  system!: System;

  @IsOptional()
  @Fits(caseParts.conditions)
  conditions?: NonNullable<Case['conditions']>;

  @Fits(listShape(readingShape, 1, MAX_CHECK_READINGS))
  readings!: readonly Reading[];

  @IsArray({ message: `at most ${MAX_CHECK_OBSERVATIONS} observations` })
  @ArrayMaxSize(MAX_CHECK_OBSERVATIONS, { message: `at most ${MAX_CHECK_OBSERVATIONS} observations` })
  @ValidateNested({ each: true })
  @Type(() => NewObservation)
  observations!: NewObservation[];

  @IsOptional()
  @IsString(COMMENT)
  @MaxLength(500, COMMENT)
  comment?: string;

  @IsOptional()
  @IsNumber({}, AGE)
  @Min(0, AGE)
  @Max(31_536_000, AGE)
  secondsAgo?: number;
}

/** How urgent a vehicle of a round is, the most urgent first. */
export const URGENCIES = ['act', 'doubtful', 'due', 'sound'] as const;
export type Urgency = (typeof URGENCIES)[number];

/** The four notes of a visit, as the profile has them. */
export interface SheetRow {
  readonly vehicle: VehicleView;
  readonly urgency: Urgency;
  /** Of its newest visit; null where it was never here. */
  readonly job: string | null;
  readonly at: string | null;
  readonly dueOn: string | null;
  readonly isSound: boolean | null;
  readonly isOpen: boolean;
  readonly decision: Judgement['decision'] | null;
  readonly profile: Profile | null;
  /** Of the visit before it. */
  readonly profileBefore: Profile | null;
  readonly comment: string | null;
}
