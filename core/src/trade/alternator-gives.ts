import { latest, readingsOf } from '../judge/situation';
import type { Situation } from '../judge/situation';

/** Volts over resting (12 V), and amps, from which an alternator gives something. */
const GIVES_VOLTS = 0.2;
const GIVES_AMPS = 5;
const USUAL_RESTING_VOLTS = 12.6;

/** Ripple, loads and drops on the charging side need output: a charging voltage above rest, or amps at the output. */
export function alternatorGives(situation: Situation): boolean {
  const volts = readingsOf(situation, 'charging-voltage');
  const above = (situation.resting ?? USUAL_RESTING_VOLTS * situation.scale) + GIVES_VOLTS * situation.scale;
  return (
    volts.length === 0 ||
    (latest(situation, 'alternator-current')?.value ?? 0) > GIVES_AMPS ||
    volts.some(({ value }) => typeof value === 'number' && value > above)
  );
}
