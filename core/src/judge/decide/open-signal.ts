/** Where the start signal ends: the pieces that the checks along it leave, and the check that tells these apart. */
import { SIGNAL_PIECE_NAMES } from '../../circuit/start-signal';
import type { SignalPiece } from '../../circuit/start-signal';
import type { CaseContext } from '../../evidence/case-context';
import type { ObservationName } from '../../format/names';
import { OBSERVATIONS, OBSERVATION_NAMES } from '../../trade/tables';

const CHECKS: readonly ObservationName[] = OBSERVATION_NAMES.filter((name) => OBSERVATIONS[name].leaves !== undefined);

/** The pieces that could be open; all where nothing was checked, and again where the checks contradict each other. */
export function openSignal({ observed }: Pick<CaseContext, 'observed'>): readonly SignalPiece[] {
  let left = SIGNAL_PIECE_NAMES;
  for (const check of CHECKS) {
    const leaves = OBSERVATIONS[check].leaves?.[observed.get(check) ?? ''];
    if (leaves) left = left.filter((piece) => leaves.includes(piece));
  }
  return left.length > 0 ? left : SIGNAL_PIECE_NAMES;
}

/** The first check along the way that was not made and would tell the pieces apart; null where none would. */
export function nextSignalCheck(context: Pick<CaseContext, 'observed'>): ObservationName | null {
  const left = openSignal(context);
  const tellsApart = (check: ObservationName): boolean =>
    Object.values(OBSERVATIONS[check].leaves!).every((leaves) => left.some((piece) => !leaves.includes(piece)));
  return CHECKS.find((check) => !context.observed.has(check) && tellsApart(check)) ?? null;
}
