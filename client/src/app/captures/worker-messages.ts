/** What the page and the worker of a recording say to each other. */
import type { Capture, ChannelRole, WavScale } from '@tetrad/core/capture';

/** How the file is to be understood. */
export interface Understanding {
  readonly cylinders: number | null;
  readonly roles: Readonly<Record<number, ChannelRole>>;
  readonly ampsPerVolt: number | null;
  readonly wavScale: WavScale | null;
}

export type ToWorker =
  | { readonly kind: 'open'; readonly source: Blob | string; readonly as: Understanding }
  | { readonly kind: 'understand'; readonly as: Understanding }
  | {
      readonly kind: 'view';
      readonly request: number;
      readonly fromS: number;
      readonly toS: number;
      readonly columns: number;
      /** Volts without their level: the ripple alone. */
      readonly coupled: boolean;
    }
  | { readonly kind: 'measure'; readonly request: number; readonly fromS: number; readonly toS: number };

/** A channel's points, time in s. */
export interface Drawn {
  readonly role: ChannelRole;
  readonly name: string;
  readonly seconds: Float64Array;
  readonly values: Float32Array;
}

/** What two cursors tell of what lies between them. */
export interface Measured {
  readonly seconds: number;
  readonly volts: Between;
  readonly amps: Between | null;
  /** Volts over amps between the cursors, ohm; null where the current does not change. */
  readonly ohm: number | null;
}
export interface Between {
  readonly first: number;
  readonly last: number;
  readonly mean: number;
  readonly low: number;
  readonly high: number;
}

export type FromWorker =
  | { readonly kind: 'progress'; readonly share: number | null }
  | { readonly kind: 'opened'; readonly capture: Capture }
  | { readonly kind: 'failed'; readonly says: string; readonly code: string }
  | { readonly kind: 'view'; readonly request: number; readonly drawn: readonly Drawn[] }
  | { readonly kind: 'measure'; readonly request: number; readonly measured: Measured };
