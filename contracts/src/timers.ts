import 'reflect-metadata';
import { IsIn, IsInt, IsNumber, IsOptional, IsUUID, Max, Min } from 'class-validator';
import { CAUTION_NAMES, LONGEST_WAIT_S, WAIT_KINDS } from '@tetrad/core';
import type { CautionName, WaitKind } from '@tetrad/core';

const LENGTH = { message: `whole seconds, 1 to ${LONGEST_WAIT_S}` };
const AGE = { message: 'seconds since it was begun, 0 to 31536000' };

/** The body that starts a timer. The server's clock counts; a device that was away tells an age. */
export class StartTimer {
  @IsUUID('all', { message: 'a UUID' })
  id!: string;

  @IsIn(WAIT_KINDS, { message: `one of ${WAIT_KINDS.join(', ')}` })
  kind!: WaitKind;

  /** Length of a wait; a count has its own. */
  @IsOptional()
  @IsInt(LENGTH)
  @Min(1, LENGTH)
  @Max(LONGEST_WAIT_S, LENGTH)
  seconds?: number;

  @IsOptional()
  @IsNumber({}, AGE)
  @Min(0, AGE)
  @Max(31_536_000, AGE)
  secondsAgo?: number;
}

/** The body that acknowledges a caution; the server adds the time. */
export class Acknowledge {
  @IsIn(CAUTION_NAMES, { message: `one of ${CAUTION_NAMES.join(', ')}` })
  caution!: CautionName;
}
