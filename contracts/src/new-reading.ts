import 'reflect-metadata';
import { IsNumber, IsOptional, IsString, IsUUID, Length, Max, Min } from 'class-validator';
import { caseParts, readingShape } from '@tetrad/core';
import type { Observation, Reading } from '@tetrad/core';
import { Fits } from './fits';

const AGE = { message: 'seconds since it was taken, 0 to 31536000' };

/**
 * The body that adds a reading. Its id is the device's own, so that a repeat stores it once; how long
 * ago it was taken is told as an age, since device clocks are wrong and the server's counts.
 */
export class NewReading {
  @Fits(readingShape)
  reading!: Reading;

  @IsOptional()
  @IsNumber({}, AGE)
  @Min(0, AGE)
  @Max(31_536_000, AGE)
  secondsAgo?: number;
}

/** The body that voids a reading; the reading stays, with the reason. */
export class VoidReading {
  @IsString({ message: 'the reason, 1 to 200 characters' })
  @Length(1, 200, { message: 'the reason, 1 to 200 characters' })
  reason!: string;
}

/** The body that adds an observation. */
export class NewObservation {
  @IsUUID('all', { message: 'a UUID' })
  id!: string;

  @Fits(caseParts.observation)
  observation!: Observation;
}
