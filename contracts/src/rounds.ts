import 'reflect-metadata';
import { IsInt, IsOptional, IsString, Length, Max, MaxLength, Min } from 'class-validator';
import type { Judgement, System } from '@tetrad/core';
import type { VehicleView } from './views';

const DAYS = { message: 'a whole number of days, 1 to 3650' };
const GROUP = { message: 'the name of a group, 1 to 40 characters' };
const WHO = { message: 'text of at most 80 characters' };

/** The body that plans a round: how often the vehicles of a group are checked. */
export class RoundPlan {
  @IsString(GROUP)
  @Length(1, 40, GROUP)
  group!: string;

  @IsInt(DAYS)
  @Min(1, DAYS)
  @Max(3650, DAYS)
  everyDays!: number;

  @IsOptional()
  @IsString(WHO)
  @MaxLength(80, WHO)
  assignee?: string;
}

/** A vehicle of a round: when it was last seen, and when it is due. */
export interface RoundVehicle {
  readonly vehicle: VehicleView;
  /** When its newest job was opened; null where it was never here. */
  readonly lastVisit: string | null;
  readonly dueOn: string;
  /** Of its newest job. */
  readonly decision: Judgement['decision'] | null;
  /** What a new job of it begins with. */
  readonly system: System | null;
}
export interface RoundView extends Omit<RoundPlan, 'assignee'> {
  readonly id: string;
  readonly assignee: string | null;
  /** What is due first stands first. */
  readonly vehicles: readonly RoundVehicle[];
}
