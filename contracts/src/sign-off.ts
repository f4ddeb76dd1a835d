import 'reflect-metadata';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  MaxLength,
} from 'class-validator';
import { PARTS } from '@tetrad/core';
import type { Part } from '@tetrad/core';

/** What a technician may decide: the judge's actions that end a job. */
export const TAKEN_ACTIONS = ['replace', 'repair', 'repaired', 'charge-first', 'none-found', 'stop'] as const;
export type TakenAction = (typeof TAKEN_ACTIONS)[number];

const TEXT = { message: 'text of at most 2000 characters' };
const PART_TEXT = { each: true, message: 'names of 1 to 120 characters' };

/** The body that signs a job off. Where the decision differs from the judge's, the reason is asked for. */
export class NewSignOff {
  @IsUUID('all', { message: 'a UUID' })
  id!: string;

  @IsIn(TAKEN_ACTIONS, { message: `one of ${TAKEN_ACTIONS.join(', ')}` })
  action!: TakenAction;

  @IsOptional()
  @IsIn(PARTS, { message: `one of ${PARTS.join(', ')}` })
  part?: Part;

  /** Why the decision is another than the judge's. */
  @IsOptional()
  @IsString(TEXT)
  @MaxLength(2000, TEXT)
  reason?: string;

  @IsString({ message: 'the conclusion, 1 to 2000 characters' })
  @Length(1, 2000, { message: 'the conclusion, 1 to 2000 characters' })
  conclusion!: string;

  @IsArray({ message: 'a list of at most 20 names' })
  @ArrayMaxSize(20, { message: 'a list of at most 20 names' })
  @IsString(PART_TEXT)
  @Length(1, 120, PART_TEXT)
  partsFitted!: string[];

  @IsOptional()
  @IsString(TEXT)
  @MaxLength(2000, TEXT)
  comment?: string;

  /** Whether the complaint is gone; absent where it was not tried. */
  @IsOptional()
  @IsBoolean({ message: 'true or false' })
  solved?: boolean;
}
