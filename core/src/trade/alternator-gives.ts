import { latest, readingsOf } from '../evidence/case-context';
import type { GradedCase } from '../evidence/case-context';

/** Volts over resting (12 V), and amps, from which an alternator gives something. */
const GIVES_VOLTS = 0.2;
const GIVES_AMPS = 5;
const USUAL_RESTING_VOLTS = 12.6;

/** Ripple, loads and drops on the charging side need output: a charging voltage above rest, or amps at the output. */
export function alternatorGives(gradedCase: GradedCase): boolean {
  const volts = readingsOf(gradedCase, 'charging-voltage');
  const above = (gradedCase.resting ?? USUAL_RESTING_VOLTS * gradedCase.scale) + GIVES_VOLTS * gradedCase.scale;
  return (
    volts.length === 0 ||
    (latest(gradedCase, 'alternator-current')?.value ?? 0) > GIVES_AMPS ||
    volts.some(({ value }) => typeof value === 'number' && value > above)
  );
}
