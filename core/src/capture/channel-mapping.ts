/** What each channel of a recording is taken for. */
import type { ChannelRole } from '../format/capture-format';

/** How a scale was found: told by the file, recognised by what is plausible, or chosen by a person. */
export type ScaleOrigin = 'told' | 'recognised' | 'chosen';

export interface MappedChannel {
  readonly name: string;
  readonly column: number;
  readonly role: ChannelRole;
  /** What a sample is multiplied by to be in V or A, sign included. */
  readonly scale: number;
  readonly origin: ScaleOrigin;
  /** The scale told by the file is off by this factor of ten; 1 where it is plausible. */
  readonly tellsOff: number;
}

export interface MappingChoice {
  readonly voltsColumn?: string | undefined;
  readonly ampsColumn?: string | undefined;
  readonly ampsPerVolt?: number | undefined;
  /** Roles chosen on the screen, by column number. */
  readonly roles?: Readonly<Record<number, ChannelRole>> | undefined;
}
