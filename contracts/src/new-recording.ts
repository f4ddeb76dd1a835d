import 'reflect-metadata';
import { IsInt, IsNumber, Max, Min } from 'class-validator';

const SECONDS = { message: 'seconds, 1 to 30' };
const RATE = { message: 'a whole number of samples a second, 500 to 50000' };
const TRIGGER = { message: 'amps, 1 to 2000' };
const WAIT = { message: 'seconds, 5 to 90' };

/** The body that has a recorder record a start. */
export class NewRecording {
  @IsNumber({}, SECONDS)
  @Min(1, SECONDS)
  @Max(30, SECONDS)
  seconds!: number;

  @IsInt(RATE)
  @Min(500, RATE)
  @Max(50_000, RATE)
  samplesPerSecond!: number;

  /** The clamp's amps that begin it. */
  @IsNumber({}, TRIGGER)
  @Min(1, TRIGGER)
  @Max(2000, TRIGGER)
  triggerAmps!: number;

  /** How long somebody may take to turn the key. */
  @IsNumber({}, WAIT)
  @Min(5, WAIT)
  @Max(90, WAIT)
  waitSeconds!: number;
}

/** A capture of samples alone, in the capture format: what is found in it, the page works out. */
export interface RecordedWaveform {
  readonly format: 'tetrad-capture/1';
  readonly channels: readonly { readonly name: string; readonly quantity: 'volts' | 'amps' }[];
  readonly data: {
    readonly encoding: 'base64-float32-le';
    readonly t0S: 0;
    readonly dtS: number;
    readonly columns: readonly string[];
  };
}
