import 'reflect-metadata';
import { IsBoolean, IsIn, IsInt, IsNumber, IsOptional, Max, Min } from 'class-validator';
import { FAULT_NAMES, TEST_NAMES } from '@tetrad/core';
import type { FaultName, TestName } from '@tetrad/core';

export const KEY_POSITIONS = ['off', 'on', 'start'] as const;
export const LOAD_STEPS = ['off', 'on', 'full'] as const;
const YES_NO = { message: 'true or false' };
const SHARE = { message: 'a number from 0 to 1' };
const SEED = { message: 'a whole number from 0 to 1000000000' };
const oneOf = (words: readonly string[]) => ({ message: `one of ${words.join(', ')}` });

/** What hands do to the simulated vehicle of the demo; what is absent stays as it is. */
export class SimulatedHands {
  /** Where leads and clamp are put: where this test wants them. */
  @IsOptional()
  @IsIn(TEST_NAMES, { message: 'the name of a test' })
  at?: TestName;

  @IsOptional()
  @IsIn(KEY_POSITIONS, oneOf(KEY_POSITIONS))
  key?: (typeof KEY_POSITIONS)[number];

  @IsOptional()
  @IsBoolean(YES_NO)
  hasFuel?: boolean;

  @IsOptional()
  @IsNumber({}, SHARE)
  @Min(0, SHARE)
  @Max(1, SHARE)
  throttle?: number;

  @IsOptional()
  @IsIn(LOAD_STEPS, oneOf(LOAD_STEPS))
  loads?: (typeof LOAD_STEPS)[number];

  /** A load tester across the posts, at half the CCA. */
  @IsOptional()
  @IsBoolean(YES_NO)
  isLoadTested?: boolean;

  /** Its battery is charged fully, and has rested. */
  @IsOptional()
  @IsBoolean(YES_NO)
  isCharged?: boolean;

  /** Another vehicle stands there: with this fault, as bad as this, drawn by this seed. */
  @IsOptional()
  @IsIn(FAULT_NAMES, { message: 'the name of a fault' })
  fault?: FaultName;

  @IsOptional()
  @IsNumber({}, SHARE)
  @Min(0, SHARE)
  @Max(1, SHARE)
  severity?: number;

  @IsOptional()
  @IsInt(SEED)
  @Min(0, SEED)
  @Max(1_000_000_000, SEED)
  seed?: number;
}

/** How the simulated vehicle stands. */
export interface SimulatedVehicleView {
  readonly key: (typeof KEY_POSITIONS)[number];
  readonly hasFuel: boolean;
  readonly throttle: number;
  readonly loads: (typeof LOAD_STEPS)[number];
  readonly isLoadTested: boolean;
  readonly isRunning: boolean;
  readonly fault: FaultName;
  readonly severity: number;
  readonly seed: number;
}
