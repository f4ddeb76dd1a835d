import 'reflect-metadata';
import { IsInt, IsString, IsUUID, Length, Max, Min } from 'class-validator';
import { captureShape } from '@tetrad/core/capture-format';
import type { Capture } from '@tetrad/core/capture-format';
import { Fits } from './fits';
import { CAPTURE_MOST_BYTES } from './sizes';

const NAME = { message: 'a file’s name of 1 to 200 characters' };
const BYTES = { message: `a whole number of bytes, 1 to ${CAPTURE_MOST_BYTES}` };

/** The body that announces a recorded file; its pieces follow, in any order and as often as needed. */
export class NewCapture {
  @IsUUID('all', { message: 'a UUID' })
  id!: string;

  @IsString(NAME)
  @Length(1, 200, NAME)
  name!: string;

  @IsInt(BYTES)
  @Min(1, BYTES)
  @Max(CAPTURE_MOST_BYTES, BYTES)
  bytes!: number;
}

/** Characters of fields that this version does not know. */
const MAX_UNKNOWN = 64_000;

/** The body that tells what was found in a recorded file, once all of it is there. */
export class CaptureFound {
  @Fits(captureShape, MAX_UNKNOWN)
  found!: Capture;
}

/** A recorded file that may be laid beneath one of a job: of the same vehicle, or of the same engine in another. */
export interface AlikeCapture extends CaptureView {
  readonly vehicle: string;
  readonly isSameVehicle: boolean;
}

/** A recorded file of a job. */
export interface CaptureView {
  readonly id: string;
  readonly name: string;
  readonly bytes: number;
  readonly by: string | null;
  readonly at: string;
  /** Pieces that are stored, by number from 0. */
  readonly pieces: readonly number[];
  readonly isWhole: boolean;
  /** Null until it has been taken apart. */
  readonly found: Capture | null;
}
