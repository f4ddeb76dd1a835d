/** The settled part of the charging, and what flows then. */
import { meanOf } from '../signal/stretch';
import type { Blocks } from './find-charging';
import type { Signal } from './signal';

export interface Charging {
  /** The settled part, blocks. */
  readonly from: number;
  readonly to: number;
  readonly volts: number;
  /** Standard error of that, V. */
  readonly spread: number;
  /** Into the battery, A; null without a clamp. */
  readonly amps: number | null;
  /** Two to three minutes after the start, A; null where the record is too short. */
  readonly laterAmps: { readonly amps: number; readonly fromS: number; readonly toS: number } | null;
}

/** An alternator has come in when so long has passed, s; of a shorter charging the second half is taken. */
const COMES_IN_S = 1.5;
/** Net current is read from here to here after the start, s (practice: two to three minutes). */
const NET_FROM_S = 120;
const NET_TO_S = 180;

/** @param startedAt The block at which the crank ended; null in a record without a start. */
export function chargingOf({ volts, amps }: Signal, { from, to }: Blocks, startedAt: number | null): Charging {
  const { blockS, mean } = volts.envelope;
  const settled = startedAt === null ? from : from + Math.round(Math.min(COMES_IN_S / blockS, (to - from) / 2));
  const half = Math.floor((settled + to) / 2);
  const netFrom = startedAt === null ? Infinity : startedAt + Math.round(NET_FROM_S / blockS);
  const netTo = Math.min(to, netFrom + Math.round((NET_TO_S - NET_FROM_S) / blockS));
  const level = meanOf(mean, settled, to);
  return {
    from: settled,
    to,
    volts: level,
    spread: half > settled && half < to ? Math.abs(meanOf(mean, settled, half) - meanOf(mean, half, to)) / 2 : 0,
    amps: amps && -meanOf(amps.envelope.mean, settled, to),
    laterAmps:
      amps && netTo - netFrom > 1 / blockS
        ? { amps: -meanOf(amps.envelope.mean, netFrom, netTo), fromS: netFrom * blockS, toS: netTo * blockS }
        : null,
  };
}
