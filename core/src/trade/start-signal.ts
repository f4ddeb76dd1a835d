/** What the checks along the start signal have in common: each leaves those pieces that could give what was found. */
import { SIGNAL_PIECE_NAMES } from '../circuit/start-signal';
import type { SignalPiece } from '../circuit/start-signal';
import type { Step } from '../evidence/step';
import type { ObservationKind, ObservationModel } from './observation';

/** What a check finds where this piece is open; null: nothing is open. */
export type FindsAt = (open: SignalPiece | null) => string;

/** The pieces that each finding leaves. @param finds What is found where one piece is open. */
const leavesOf = (findings: readonly string[], finds: FindsAt): Readonly<Record<string, readonly SignalPiece[]>> =>
  Object.fromEntries(
    findings.map((finding) => [finding, SIGNAL_PIECE_NAMES.filter((piece) => finds(piece) === finding)]),
  );

/** Asked for only once the control voltage has shown that the circuit is open: by itself it accuses nothing. */
const SIGNAL_STEP = {
  minutes: 2,
  place: 'look',
  engine: 'cranking',
  informs: [],
  cautions: ['cranking'],
} as const satisfies Partial<Step>;

/** A check along the start signal. */
export const signalCheck = (
  row: Pick<ObservationKind, 'name' | 'asks' | 'findings'> & {
    readonly at: number;
    readonly how: string;
    readonly settles: string;
    readonly finds: FindsAt;
  },
): ObservationKind => ({
  name: row.name,
  asks: row.asks,
  findings: row.findings,
  place: { group: 'Starting', at: row.at, how: row.how },
  step: { ...SIGNAL_STEP, settles: row.settles },
  required: [],
  isLooking: false,
  speaks: Object.fromEntries(row.findings.map((finding) => [finding, []])),
  leaves: leavesOf(row.findings, row.finds),
});

export const signalModel = (finds: FindsAt): ObservationModel => ({
  inFullVisit: false,
  shows: ({ vehicle }) => finds(vehicle.openSignal),
});
